<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\App\Storage\Prepared;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Chronicle;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Run;

/**
 * What happened to a unit, out of the logbook: a few rows at a time, as far as somebody asks. The logbook orders by seconds; what
 * stands in one second is put in order here.
 */
final class StoredChronicle implements Chronicle
{
    /** Rows of the first page, and of the largest; each is four times the one before. */
    private const FIRST = 4;
    private const LARGEST = 256;

    /** A condition on checks c: that no other stands in the place of one. */
    public const COUNTS = 'NOT EXISTS (SELECT 1 FROM check_replaced v WHERE v.check_id = c.id)';

    /** That one stands in the place of no other. */
    private const FIRST_WRITTEN = 'NOT EXISTS (SELECT 1 FROM check_replaced v WHERE v.by_check_id = c.id)';

    private const CHECKS = 'SELECT c.id, c.checked_at AS at, c.record, s.record AS aside, n.record AS newer FROM check_record c'
        .' LEFT JOIN check_set_aside s ON s.check_id = c.id LEFT JOIN check_replaced p ON p.check_id = c.id'
        .' LEFT JOIN check_record n ON n.id = p.by_check_id WHERE ';

    /** @var array<string, Check> by = and their identifier */
    private array $checks = [];

    private ?self $written = null;

    /** @var array<string, Run|null> by = and their identifier */
    private array $runs = [];

    /**
     * @param \Closure(array<string, mixed>): Check        $readCheck
     * @param \Closure(array<string, mixed>): Intervention $readIntervention
     * @param \Closure(list<string>): list<Run>            $readRuns
     * @param bool                                         $isFirstWritten whether it tells checks as they were first written
     */
    public function __construct(
        private readonly Prepared $prepared,
        private readonly string $instrument,
        private readonly \Closure $readCheck,
        private readonly \Closure $readIntervention,
        private readonly \Closure $readRuns,
        private readonly bool $isFirstWritten = false,
    ) {
    }

    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        foreach ($this->bySecond(Moments::second($moment), true) as $group) {
            usort($group, static fn (Check $a, Check $b): int => [$b->at, $b->id] <=> [$a->at, $a->id]);
            foreach ($group as $check) {
                if ($check->at <= $moment) {
                    yield $check;
                }
            }
        }
    }

    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        foreach ($this->bySecond(Moments::second($from), false, $until === null ? null : Moments::second($until)) as $group) {
            usort($group, Check::inOrder(...));
            foreach ($group as $check) {
                if ($until !== null && $check->at > $until) {
                    return;
                }
                if ($check->at >= $from) {
                    yield $check;
                }
            }
        }
    }

    /**
     * Checks from a second on, or back from it, those of one second together.
     *
     * @return iterable<list<Check>>
     */
    private function bySecond(string $second, bool $isBack, ?string $until = null): iterable
    {
        $second = [$second, ''];
        $group = [];
        $of = null;
        for ($size = self::FIRST; $second !== null; $size = min(4 * $size, self::LARGEST)) {
            $rows = $this->page($second[0], $second[1], $isBack, $until, $size);
            foreach ($rows as $row) {
                $at = Cells::text($row, 'at');
                if ($of !== null && $of !== $at) {
                    yield $group;
                    $group = [];
                }
                $of = $at;
                $group[] = $this->read($row);
            }
            $last = $rows[\count($rows) - 1] ?? null;
            $second = $last === null || \count($rows) < $size ? null : [Cells::text($last, 'at'), Cells::text($last, 'id')];
        }
        if ($group !== []) {
            yield $group;
        }
    }

    /**
     * @param string $id after which the page begins in that second; empty: with it
     *
     * @return list<array<string, mixed>>
     */
    private function page(string $second, string $id, bool $isBack, ?string $until, int $size): array
    {
        [$beyond, $order] = $isBack ? ['<', 'DESC'] : ['>', 'ASC'];
        $values = [$this->instrument, $second];
        $where = $this->which()." AND c.instrument_id = ? AND c.checked_at $beyond= ?";
        if ($id !== '') {
            $where .= " AND (c.checked_at $beyond ? OR c.id $beyond ?)";
            $values = [...$values, $second, $id];
        }
        if ($until !== null) {
            $where .= ' AND c.checked_at <= ?';
            $values[] = $until;
        }

        return $this->prepared->rows(
            self::CHECKS.$where." ORDER BY c.checked_at $order, c.id $order LIMIT $size",
            $values,
        );
    }

    public function check(string $id): ?Check
    {
        if (!isset($this->checks['='.$id])) {
            $where = $this->which().' AND c.id = ? AND c.instrument_id = ?';
            $row = $this->prepared->rows(self::CHECKS.$where, [$id, $this->instrument])[0] ?? null;
            if ($row === null) {
                return null;
            }
            $this->read($row);
        }

        return $this->checks['='.$id];
    }

    /** @param array<string, mixed> $row */
    private function read(array $row): Check
    {
        return $this->checks['='.Cells::text($row, 'id')] ??= $this->told($row);
    }

    /** @param array<string, mixed> $row */
    private function told(array $row): Check
    {
        $check = ($this->readCheck)(
            $row['aside'] === null
                ? Cells::json($row, 'record')
                : [...Cells::json($row, 'record'), 'setAside' => Cells::json($row, 'aside')],
        );
        $newer = $row['newer'] === null ? null : ($this->readCheck)(Cells::json($row, 'newer'));
        $why = $newer?->notes->inPlaceOf;

        return $newer === null || $why === null ? $check : $check->replacedBy($newer->id, $newer->instrument, $why);
    }

    private function which(): string
    {
        return $this->isFirstWritten ? self::FIRST_WRITTEN : self::COUNTS;
    }

    public function asWritten(): ?Chronicle
    {
        $written = $this->isFirstWritten ? $this : ($this->written ??= $this->firstWritten());

        return $written === $this ? null : $written;
    }

    /** Itself where nothing was corrected, so that it is looked up once. */
    private function firstWritten(): self
    {
        $corrected = $this->prepared->column(
            'SELECT check_id FROM check_replaced WHERE instrument_id = ? OR by_instrument_id = ? LIMIT 1',
            [$this->instrument, $this->instrument],
        );

        return $corrected === []
            ? $this
            : new self($this->prepared, $this->instrument, $this->readCheck, $this->readIntervention, $this->readRuns, true);
    }

    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        $values = [$this->instrument, Moments::second($from)];
        if ($until !== null) {
            $values[] = Moments::second($until);
        }
        $events = [];
        foreach ($this->prepared->rows(
            'SELECT record FROM intervention WHERE instrument_id = ? AND happened_at >= ?'.($until === null ? '' : ' AND happened_at <= ?'),
            $values,
        ) as $row) {
            $event = ($this->readIntervention)(Cells::json($row, 'record'));
            if ($event->at >= $from && ($until === null || $event->at <= $until)) {
                $events[] = $event;
            }
        }
        usort($events, Intervention::inOrder(...));

        return $events;
    }

    public function runsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): array
    {
        $values = [$this->instrument, Moments::second($from)];
        if ($until !== null) {
            $values[] = Moments::text($until);
        }

        return array_values(array_filter(
            $this->named('started_at >= ?'.($until === null ? '' : ' AND started_at <= ?'), $values),
            static fn (Run $run): bool => $run->timing->start >= $from && ($until === null || $run->timing->start <= $until),
        ));
    }

    public function runsAround(\DateTimeImmutable $from, \DateTimeImmutable $until): array
    {
        return array_values(array_filter(
            $this->named(
                'started_at < ? AND (stopped_at IS NULL OR stopped_at >= ?)',
                [$this->instrument, Moments::text($until), Moments::second($from)],
            ),
            static fn (Run $run): bool => $run->timing->start < $until && ($run->timing->stop === null || $run->timing->stop > $from),
        ));
    }

    public function run(string $id): ?Run
    {
        if (!\array_key_exists('='.$id, $this->runs)) {
            $this->load([$id]);
        }

        return $this->runs['='.$id];
    }

    /**
     * @param string       $where  a condition on states of the unit's runs
     * @param list<string> $values the unit first
     *
     * @return list<Run> by their start
     */
    private function named(string $where, array $values): array
    {
        $ids = $this->prepared->column('SELECT run_id FROM run_state WHERE instrument_id = ? AND '.$where, $values);
        $this->load($ids);
        $runs = array_values(array_filter(array_map(fn (string $id): ?Run => $this->runs['='.$id] ?? null, $ids)));
        usort($runs, Run::inOrder(...));

        return $runs;
    }

    /**
     * Reads runs that will be asked for, in one go.
     *
     * @param list<string> $ids
     */
    public function load(array $ids): void
    {
        $missing = array_values(array_filter($ids, fn (string $id): bool => !\array_key_exists('='.$id, $this->runs)));
        foreach (array_chunk($missing, 500) as $some) {
            foreach ($some as $id) {
                $this->runs['='.$id] = null;
            }
            foreach (($this->readRuns)($some) as $run) {
                if ($run->deployment->instrument === $this->instrument) {
                    $this->runs['='.$run->id] = $run;
                }
            }
        }
    }
}
