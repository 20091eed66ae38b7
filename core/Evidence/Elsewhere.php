<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What the logbook knows of other units that bears on this one. */
final readonly class Elsewhere
{
    /**
     * @param list<Run>      $sameLogs runs of other units under which a log of this unit stands too
     * @param list<UnitName> $units    every other unit
     */
    public function __construct(public array $sameLogs = [], public array $units = [])
    {
    }
}
