<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The working day that a run stands for. */
final readonly class WorkingDay
{
    /**
     * @param float|null     $minutes null: as long as it ran
     * @param string|null    $shift   name of the shift, where its day does not say it
     * @param RestOfDay|null $rest    a person's word on the part of the day that was not sampled
     */
    public function __construct(public ?float $minutes = null, public ?string $shift = null, public ?RestOfDay $rest = null)
    {
    }
}
