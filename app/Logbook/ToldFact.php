<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** Something learned about a run, with who told it, when and why. */
final readonly class ToldFact
{
    /**
     * @param array<string, mixed> $record fields of a run in the record format
     * @param string               $at     in UTC, as moments are written in the record format
     */
    public function __construct(public array $record, public string $reason, public string $by, public string $at)
    {
    }
}
