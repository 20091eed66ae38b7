<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

/** How the clock of a device stood that brings what was done without a network. */
final readonly class BroughtBy
{
    /** Under which a half-done check, and its record, keep that it was brought; only the server writes it. */
    public const ANSWER = 'away';

    /**
     * @param int    $ahead s
     * @param string $why   its moments stand although it was off; empty where it was right
     */
    public function __construct(public int $ahead, public string $why)
    {
    }

    /** @return array<string, mixed> as the record has it */
    public function told(\DateTimeImmutable $now): array
    {
        return [
            'brought' => $now->format(\DATE_ATOM),
            'ahead' => $this->ahead,
            ...($this->why === '' ? [] : ['why' => $this->why]),
        ];
    }
}
