<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Laboratory;
use Footnote\Core\Record\Library;
use Footnote\Core\Record\RecordLaboratory;

/**
 * The libraries of the logbook and what laboratories reported, for the runs of one campaign. What it fetched it keeps for
 * as long as it lives, which is one reading of a unit's evidence.
 */
final class DatabaseLibrary implements Library, Laboratory
{
    /** @var array<string, array<string, Traits>> */
    private array $shelves = [];

    /** @var array<string, list<Fields>> */
    private array $rows = [];

    /** @var array<string, list<string>>|null */
    private ?array $users = null;

    /** @var array<string, array<string, mixed>>|null by report */
    private ?array $words = null;

    /** @var list<Fields>|null */
    private ?array $blanks = null;

    /** @param list<string> $media that will be asked for; fetched in one go */
    public function __construct(
        private readonly Connection $connection,
        private readonly Formats $families,
        private readonly string $campaign,
        private readonly array $media,
    ) {
    }

    public function find(string $shelf, string $code): ?Traits
    {
        return ($this->shelves[$shelf] ??= $this->shelf($shelf))[$code] ?? null;
    }

    public function reported(string $medium): array
    {
        if ($this->rows === []) {
            $this->fetch([...$this->media, ...array_map(static fn (Fields $blank): string => $blank->text('medium'), $this->blanks())]);
        }
        if (!isset($this->rows[$medium])) {
            $this->fetch([$medium]);
        }

        return $this->rows[$medium];
    }

    public function blanks(): array
    {
        return $this->blanks ??= array_map(
            static fn (string $json): Fields => Fields::of(json_decode($json, true, 16, \JSON_THROW_ON_ERROR)),
            array_values(
                array_filter(
                    $this->connection->fetchFirstColumn(
                        'SELECT record FROM blank WHERE campaign_id = ? ORDER BY medium',
                        [$this->campaign],
                    ),
                    \is_string(...),
                ),
            ),
        );
    }

    public function usedBy(string $medium): array
    {
        if ($this->users === null) {
            $this->users = [];
            foreach (array_chunk($this->media, 500) as $some) {
                $marks = implode(', ', array_fill(0, \count($some), '?'));
                foreach ($this->connection->fetchAllNumeric(
                    "SELECT medium, run_id FROM run_state WHERE medium IN ($marks) ORDER BY run_id",
                    $some,
                ) as [$used, $run]) {
                    \assert(\is_string($used) && \is_string($run));
                    $this->users[$used][] = $run;
                }
            }
        }

        return $this->users[$medium] ?? [];
    }

    /** @param list<string> $media */
    private function fetch(array $media): void
    {
        foreach ($media as $medium) {
            $this->rows[$medium] ??= [];
        }
        foreach (array_chunk(array_values(array_unique($media)), 500) as $some) {
            foreach ($this->connection->fetchAllAssociative(
                'SELECT w.medium, w.report_id, w.record, r.record AS report FROM laboratory_row w '
                    .'JOIN laboratory_report r ON r.id = w.report_id WHERE w.medium IN '
                    .'('.implode(', ', array_fill(0, \count($some), '?')).') ORDER BY w.id',
                $some,
            ) as $row) {
                $this->rows[Cells::text($row, 'medium')][] = RecordLaboratory::row(
                    Fields::of([...Cells::json($row, 'report'), ...$this->said(Cells::text($row, 'report_id'))]),
                    Fields::of(Cells::json($row, 'record'), '/laboratory'),
                );
            }
        }
    }

    /** @return array<string, mixed> what the laboratory said of a report since it came */
    private function said(string $report): array
    {
        if ($this->words === null) {
            $this->words = [];
            foreach ($this->connection->fetchAllAssociative('SELECT report_id, record FROM laboratory_word ORDER BY id') as $row) {
                $id = Cells::text($row, 'report_id');
                $this->words[$id] = [...($this->words[$id] ?? []), ...Cells::json($row, 'record')];
            }
        }

        return $this->words[$report] ?? [];
    }

    /** @return array<string, string> names of the entries of a library by code */
    public function names(string $shelf): array
    {
        $entries = $this->shelves[$shelf] ??= $this->shelf($shelf);
        ksort($entries);

        return array_map(static fn (Traits $entry): string => $entry->text('name') ?? '', $entries);
    }

    /** @return list<Traits> the entries of a library by code */
    public function all(string $shelf): array
    {
        $entries = $this->shelves[$shelf] ??= $this->shelf($shelf);
        ksort($entries, \SORT_STRING);

        return array_values($entries);
    }

    /** @return array<string, Traits> */
    private function shelf(string $id): array
    {
        $shelf = $this->families->shelf($id);
        if ($shelf === null) {
            return [];
        }
        $entries = $shelf->shipped();
        foreach ($this->connection->fetchAllAssociative('SELECT code, record FROM library_entry WHERE shelf = ?', [$id]) as $row) {
            $entries[Cells::text($row, 'code')] = $shelf->read(Fields::of($shelf->over(Cells::json($row, 'record'))));
        }

        return $entries;
    }
}
