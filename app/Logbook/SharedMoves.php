<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Apart;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\SharedTrend;
use Footnote\Core\Judgement\ShiftScale;
use Footnote\Core\Judgement\SignedWords;

/** What units moved by alike where several of them were checked on one reference within half a day of the site. */
final readonly class SharedMoves
{
    /** Rows that are looked at, the newest; and the checks among which they are looked for. */
    private const ROWS = 60;
    private const CHECKS = 2000;

    public function __construct(
        private Connection $connection,
        private Logbook $logbook,
        private Assessor $assessor,
        private SiteClock $site,
    ) {
    }

    /**
     * How a reference goes on, by what units share on it.
     *
     * @return list<array{of: string, channel: string, scale: ShiftScale, trend: SharedTrend}> by family and channel
     */
    public function of(string $reference): array
    {
        $rows = $this->rows($reference);
        $kinds = [];
        foreach (self::units($rows) as $unit => $checks) {
            $timeline = $this->logbook->timeline(substr($unit, 1));
            if ($timeline->instrument->isPractice()) {
                continue;
            }
            $family = $this->assessor->family($timeline->instrument->family);
            foreach (Apart::of($family, $timeline) as [$channel, $of]) {
                $kind = $family->id()."\n".$channel;
                $kinds[$kind] ??= [
                    'of' => $family->title(),
                    'channel' => $channel,
                    'scale' => $family->bench()->sharedShift(),
                    'rows' => [],
                ];
                foreach ($this->drifts($of, $family->bench(), $reference) as $check => $drift) {
                    $row = $checks[$check] ?? null;
                    if ($row !== null) {
                        // Of several checks in one row the first tells what happened since the row before.
                        $kinds[$kind]['rows'][$row][substr($unit, 1)] ??= $drift;
                    }
                }
            }
        }

        return array_values(array_filter(array_map(static function (array $kind): array {
            ksort($kind['rows']);
            $told = array_map(static fn (string $row): array => [$row, $kind['rows'][$row]], array_keys($kind['rows']));
            unset($kind['rows']);

            return [...$kind, 'trend' => SharedTrend::of($told, $kind['scale'])];
        }, array_values($kinds)), static fn (array $kind): bool => $kind['trend']->rows !== []));
    }

    /**
     * What of a unit's move at a check was shared by those beside it; empty where nothing was.
     *
     * @param Timeline $of the unit, or one channel of it
     */
    public function beside(Timeline $of, string $channel, HistoryPoint $point): string
    {
        $check = $of->check($point->check);
        $own = $point->drift;
        if ($check === null || $own === null) {
            return '';
        }
        foreach ($check->leansOn() as $reference) {
            $drifts = [$of->instrument->id => $own];
            foreach ($this->mates($reference, $of->instrument->id, $point->at) as $unit => $last) {
                $drift = $this->driftAt(substr($unit, 1), $channel, $of->instrument->family, $reference, $last);
                if ($drift !== null) {
                    $drifts[substr($unit, 1)] = $drift;
                }
            }
            $scale = $this->assessor->family($of->instrument->family)->bench()->sharedShift();
            $shift = CommonShift::of($drifts, $scale->near, $scale->least);
            if ($shift !== null) {
                return \sprintf(
                    'At %s %s of its %s was shared by %d of %d units that were checked on %s then; %s is its own.',
                    $point->check,
                    SignedWords::of($shift->shared, $scale->unit),
                    SignedWords::of($own, $scale->unit),
                    \count($shift->moved),
                    \count($drifts),
                    $reference,
                    SignedWords::of($shift->own[$of->instrument->id], $scale->unit),
                );
            }
        }

        return '';
    }

    /** @return list<array<string, mixed>> checks that leaned on a reference, in order of time, in rows of enough units */
    private function rows(string $reference): array
    {
        $zone = $this->site->zone();
        $found = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT check_id, instrument_id, checked_at FROM check_leaning WHERE reference_id = ?'
                .' ORDER BY checked_at DESC LIMIT '.self::CHECKS,
            [$reference],
        ) as $row) {
            $found[SiteClock::halfDay(Moments::of(Cells::text($row, 'checked_at'))->setTimezone($zone))][] = $row;
        }
        $enough = array_filter(
            $found,
            static fn (array $row): bool => \count(self::units($row)) >= CommonShift::LEAST_UNITS,
        );
        $rows = [];
        foreach (\array_slice($enough, 0, self::ROWS) as $when => $row) {
            array_push($rows, ...array_map(static fn (array $one): array => [...$one, 'row' => $when], $row));
        }

        return $rows;
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return array<string, array<string, string>> the row of each check, by = and its unit
     */
    private static function units(array $rows): array
    {
        $units = [];
        foreach ($rows as $row) {
            $units['='.Cells::text($row, 'instrument_id')]['='.Cells::text($row, 'check_id')] = Cells::text($row, 'row');
        }

        return $units;
    }

    /** @return array<string, float> by = and the check: those that leaned on the reference, in order of time */
    private function drifts(Timeline $of, BenchGuide $bench, string $reference): array
    {
        $drifts = [];
        foreach ($bench->history($of, $this->site->now())->points as $point) {
            if ($point->drift !== null && \in_array($reference, $of->check($point->check)?->leansOn() ?? [], true)) {
                $drifts['='.$point->check] = $point->drift;
            }
        }

        return $drifts;
    }

    /** @return array<string, \DateTimeImmutable> when others were first checked on a reference in the row of a moment, by = and the unit */
    private function mates(string $reference, string $unit, \DateTimeImmutable $at): array
    {
        $zone = $this->site->zone();
        $mates = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT instrument_id, MIN(checked_at) AS first FROM check_leaning WHERE reference_id = ? AND instrument_id <> ?'
                .' AND checked_at BETWEEN ? AND ? GROUP BY instrument_id',
            [$reference, $unit, Moments::text($at->modify('-12 hours')), Moments::text($at->modify('+12 hours'))],
        ) as $row) {
            $first = Moments::of(Cells::text($row, 'first'));
            if (SiteClock::halfDay($first->setTimezone($zone)) === SiteClock::halfDay($at->setTimezone($zone))) {
                $mates['='.Cells::text($row, 'instrument_id')] = $first;
            }
        }

        return $mates;
    }

    private function driftAt(string $unit, string $channel, string $family, string $reference, \DateTimeImmutable $at): ?float
    {
        $timeline = $this->logbook->timeline($unit);
        if ($timeline->instrument->family !== $family || $timeline->instrument->isPractice()) {
            return null;
        }
        foreach (Apart::of($this->assessor->family($family), $timeline) as [$name, $of]) {
            if ($name === $channel) {
                $point = $this->assessor->family($family)->bench()->lastPoint($of, $at);
                $check = $point === null ? null : $of->check($point->check);

                $isThen = $check !== null && $check->at->format('U.u') === $at->format('U.u');

                return $isThen && \in_array($reference, $check->leansOn(), true) ? $point->drift : null;
            }
        }

        return null;
    }
}
