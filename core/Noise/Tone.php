<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Quantity\Span;

/** What looks like a calibrator's tone inside a log, and what becomes of it. */
final readonly class Tone
{
    /**
     * @param Span           $span with part-filled intervals at its edges where it is taken out
     * @param float          $mean its mean level, dB
     * @param AlterationKind $kind whether it belongs to a check on record, is taken out by rule, or only offered
     * @param string         $why  which check it belongs to, or why it is taken or not
     */
    public function __construct(public Span $span, public float $mean, public AlterationKind $kind, public string $why)
    {
    }

    public function words(): string
    {
        return \sprintf(
            'a steady level of %s dB from %s for %d s',
            number_format($this->mean, 1, '.', ''),
            $this->span->from->format('H:i:s'),
            (int) round($this->span->seconds()),
        );
    }
}
