<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** What somebody who walks a check did so far, and when. */
final readonly class Doings
{
    /**
     * @param string                                  $at      the step that is looked at
     * @param array<string, \DateTimeImmutable>       $clocks  when the clock of a step was started, by step
     * @param array<string, \DateTimeImmutable>       $settled when a step was done or skipped, by step
     * @param array<string, list<\DateTimeImmutable>> $taken   when readings were taken from it, by step
     */
    public function __construct(public string $at = '', public array $clocks = [], public array $settled = [], public array $taken = [])
    {
    }
}
