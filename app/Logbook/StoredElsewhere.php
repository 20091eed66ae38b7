<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\Core\Evidence\Elsewhere;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\UnitName;

/** What the logbook knows of logs and of other units. */
final readonly class StoredElsewhere implements Elsewhere
{
    /** @param \Closure(string): ?Run $run */
    public function __construct(private Connection $connection, private string $instrument, private \Closure $run)
    {
    }

    public function withSameLog(Run $run): array
    {
        $sha256 = $run->source->origin?->sha256;
        $own = [];
        $foreign = [];
        foreach ($sha256 === null ? [] : $this->runs('l.sha256 = ? AND l.run_id <> ?', [$sha256, $run->id]) as $other) {
            // A log that another took the place of is no log of that run any more.
            if ($other->source->origin?->sha256 !== $sha256) {
                continue;
            }
            if ($other->deployment->instrument === $this->instrument) {
                $own[] = $other;
            } else {
                $foreign[] = $other;
            }
        }

        return [...$own, ...$foreign];
    }

    public function tellingSerials(Run $run): iterable
    {
        foreach ($this->runs('s.instrument_id = ? AND l.run_id <> ?', [$this->instrument, $run->id]) as $other) {
            if (($other->source->origin?->serials() ?? []) !== []) {
                yield $other;
            }
        }
    }

    public function units(): array
    {
        return array_map(
            static fn (array $row): UnitName => new UnitName(
                \is_string($row[0]) ? $row[0] : '',
                \is_string($row[1]) && $row[1] !== '' ? $row[1] : null,
            ),
            $this->connection->fetchAllNumeric(
                'SELECT i.id, '.KitFolding::SERIAL.' FROM instrument i WHERE i.id <> ? ORDER BY i.id',
                [$this->instrument],
            ),
        );
    }

    /**
     * @param list<string> $values
     *
     * @return iterable<Run> with a log, by their start
     */
    private function runs(string $where, array $values): iterable
    {
        $ids = $this->connection->fetchFirstColumn(
            'SELECT DISTINCT l.run_id, s.started_at FROM log_file l JOIN run_state s ON s.run_id = l.run_id'
                ." WHERE s.campaign_id <> '' AND $where"
                .' ORDER BY s.started_at, l.run_id',
            $values,
        );
        foreach ($ids as $id) {
            $run = \is_string($id) ? ($this->run)($id) : null;
            if ($run !== null) {
                yield $run;
            }
        }
    }
}
