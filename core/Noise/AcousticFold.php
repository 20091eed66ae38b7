<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\Fold;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Evidence\Timeline;

/** What the acoustic checks of a unit come to: drifts and adjustments in dB, and the tones that its calibrators gave. */
final readonly class AcousticFold implements Fold
{
    /** @var CheckHistory<float> */
    private CheckHistory $history;

    public function __construct()
    {
        $this->history = self::reading();
    }

    public function name(): string
    {
        return 'acoustic-1';
    }

    public function after(Tally $tally, Check $check, Timeline $timeline): Tally
    {
        $next = $this->history->add($tally, $check, $timeline);
        $content = $check->content;

        return $content instanceof AcousticCheck
            ? $next->meeting($next->met + ToneLevels::at($check, $content, $timeline->referenceOf($check)))
            : $next;
    }

    /** @return CheckHistory<float> offsets in dB */
    public static function reading(): CheckHistory
    {
        $response = new AcousticResponse();

        return new CheckHistory(
            new AcousticUsability(),
            'offset',
            static fn (Check $check): bool => $check->content instanceof AcousticCheck,
            static fn (Check $check, Timeline $timeline): array => [
                $response->asFound($check, $timeline)?->offset->toFloat(),
                $response->asLeft($check, $timeline)?->offset->toFloat(),
            ],
            static fn (float $left, float $found): float => $found - $left,
            static fn (float $offset): float => $offset,
        );
    }
}
