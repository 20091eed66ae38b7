<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;

/** The flows over which a standard works; a reading outside it is no reading. */
final readonly class Range
{
    public function __construct(private ?Measured $low, private ?Measured $high, private string $of)
    {
    }

    /**
     * @param Exact $flow L/min
     *
     * @throws UnreadableFlow
     */
    public function holds(Exact $flow): void
    {
        if ($flow->compareTo(Exact::zero()) <= 0) {
            throw new NoFlow('a flow of zero is no flow');
        }
        $words = \sprintf(
            '%s L/min is outside %s, %s to %s',
            $flow->rounded(3),
            $this->of,
            $this->low?->words() ?? '0',
            $this->high?->words() ?? 'any',
        );
        if ($this->low !== null && $flow->compareTo($this->low->in(CommonUnit::LitrePerMinute)) < 0) {
            throw new BelowRange($words);
        }
        if ($this->high !== null && $flow->compareTo($this->high->in(CommonUnit::LitrePerMinute)) > 0) {
            throw new UnreadableFlow($words);
        }
    }
}
