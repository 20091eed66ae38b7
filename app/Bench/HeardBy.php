<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

/** How a stretch of lines was heard. */
final readonly class HeardBy
{
    /**
     * @param array<string, mixed>|null $profile  the line profile by which it is read, as its library has it; null: open lines
     * @param StandInSeat|null          $seat     of a stand-in
     * @param list<string>              $refusals why nothing of it may be taken
     */
    public function __construct(
        public \DateTimeImmutable $now,
        public ?array $profile,
        public ?StandInSeat $seat,
        public array $refusals,
    ) {
    }
}
