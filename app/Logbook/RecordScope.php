<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** What of a campaign is written as a record. */
#[Exclude]
final readonly class RecordScope
{
    /** @var array<string, true>|null by = and the run */
    private ?array $runs;

    /**
     * @param bool              $practice whether runs of practice units are written as well
     * @param list<string>|null $runs     null: all
     * @param bool              $files    whether photos and documents are written beside it
     */
    public function __construct(public bool $practice = true, ?array $runs = null, public bool $files = true)
    {
        $this->runs = $runs === null ? null : array_fill_keys(array_map(static fn (string $run): string => '='.$run, $runs), true);
    }

    /** @param array<string, mixed> $run as written */
    public function takes(array $run): bool
    {
        return $this->runs === null || isset($this->runs['='.Cells::text($run, 'id')]);
    }
}
