<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Span;

/** Whether a sample gives a usable answer, and what that takes. */
final readonly class SampleSize
{
    /**
     * @param list<string> $words what it comes to, the answer first
     * @param list<Figure> $lines
     * @param Decimal|null $holdingDays how long a sample may wait until it is analysed; null: nobody says
     */
    public function __construct(
        public bool $usable,
        public int $media,
        public array $words,
        public array $lines,
        public ?Decimal $holdingDays = null,
    ) {
    }

    /** Until when a sample that was drawn by a moment must be analysed; null where nobody says. */
    public function holdsUntil(\DateTimeImmutable $drawn): ?\DateTimeImmutable
    {
        return self::until($this->holdingDays, $drawn);
    }

    public static function until(?Decimal $days, \DateTimeImmutable $drawn): ?\DateTimeImmutable
    {
        return $days === null ? null : Span::shift($drawn, 86400 * $days->value->toFloat());
    }
}
