<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;

/** A reference, or a unit, was found wrong: nothing that leaned on it from $since to $until stands unexamined. */
final readonly class Recall
{
    /**
     * @param \DateTimeImmutable|null $until when it was found; null: it is not known or goes on
     * @param Decimal|null            $error true value less the certified one; null: not known
     * @param Unit|null               $unit  of the error: that of the values, or percent of them, as the kind of reference has it
     */
    public function __construct(
        public \DateTimeImmutable $since,
        public ?\DateTimeImmutable $until,
        public string $reason,
        public ?Decimal $error = null,
        public ?Unit $unit = null,
    ) {
    }

    public function covers(\DateTimeImmutable $moment): bool
    {
        return $this->since <= $moment && ($this->until === null || $moment <= $this->until);
    }

    /** The error at a moment that it covers; null where it is not known, or cannot be told so. */
    public function errorAt(\DateTimeImmutable $moment, RecallTaken $taken): ?Exact
    {
        $whole = $this->error?->value;
        if ($whole === null || $taken === RecallTaken::Nothing) {
            return null;
        }
        if ($taken === RecallTaken::Whole) {
            return $whole;
        }
        $all = $this->until === null ? 0.0 : Span::secondsBetween($this->since, $this->until);

        return $all <= 0.0
            ? null
            : $whole->times((int) round(Span::secondsBetween($this->since, $moment)))->dividedBy((int) round($all));
    }
}
