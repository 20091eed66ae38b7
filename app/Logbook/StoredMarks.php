<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\App\Storage\Prepared;
use Footnote\Core\Evidence\Mark;
use Footnote\Core\Evidence\MarkOf;
use Footnote\Core\Evidence\Marks;
use Footnote\Core\Evidence\RememberedMarks;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Quantity\Span;

/** The marks of one unit in the logbook; what is new stays beside them until somebody keeps it. */
final class StoredMarks implements Marks
{
    private readonly RememberedMarks $new;

    /** @var list<array{MarkOf, Mark}> */
    private array $waiting = [];

    /** @param \DateTimeImmutable|null $changed since when those of the logbook hold no more: something is supposed */
    public function __construct(
        private readonly Prepared $prepared,
        private readonly string $instrument,
        private readonly ?\DateTimeImmutable $changed = null,
    ) {
        $this->new = new RememberedMarks();
    }

    public function last(MarkOf $of, \DateTimeImmutable $until): ?Mark
    {
        $new = $this->new->last($of, $until);
        if ($new !== null) {
            return $new;
        }
        $row = $this->prepared->rows(
            'SELECT check_id, marked_at, tally FROM check_mark WHERE instrument_id = ? AND kind = ? AND marked_at <= ?'
                .' ORDER BY marked_at DESC, check_id DESC LIMIT 1',
            [$this->instrument, $of->key(), Moments::text($this->until($until))],
        )[0] ?? null;

        return $row === null
            ? null
            : new Mark(
                Moments::of(Cells::text($row, 'marked_at')),
                Cells::text($row, 'check_id'),
                Tally::fromArray(Cells::json($row, 'tally')),
            );
    }

    /** As late as those of the logbook hold. */
    private function until(\DateTimeImmutable $until): \DateTimeImmutable
    {
        return $this->changed === null ? $until : min($until, Span::shift($this->changed, -1e-6));
    }

    public function keep(MarkOf $of, Mark $mark): void
    {
        $this->new->keep($of, $mark);
        $this->waiting[] = [$of, $mark];
    }

    /** Writes what is new, where the unit's evidence is still what it was made of. */
    public function write(Connection $connection): void
    {
        $this->insert($connection, $this->waiting);
        $this->waiting = [];
    }

    /** Of what is new only the last of each kind: enough to go on from, for whoever looks at a unit as it stands now. */
    public function writeLast(Connection $connection): void
    {
        $last = [];
        foreach ($this->waiting as [$of, $mark]) {
            if (!isset($last[$of->key()]) || $last[$of->key()][1]->at <= $mark->at) {
                $last[$of->key()] = [$of, $mark];
            }
        }
        $this->insert($connection, array_values($last));
        $this->waiting = [];
    }

    /** @param list<array{MarkOf, Mark}> $marks */
    private function insert(Connection $connection, array $marks): void
    {
        foreach ($marks as [$of, $mark]) {
            $connection->executeStatement(
                'INSERT INTO check_mark (check_id, kind, instrument_id, marked_at, tally) VALUES (?, ?, ?, ?, ?)'
                    .' ON CONFLICT (check_id, kind) DO NOTHING',
                [
                    $mark->check,
                    $of->key(),
                    $this->instrument,
                    Moments::text($mark->at),
                    json_encode($mark->tally->toArray(), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION),
                ],
            );
        }
    }
}
