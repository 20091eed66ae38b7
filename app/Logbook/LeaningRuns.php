<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\Core\Quantity\Span;

/**
 * Checks that leaned on a reference, or were made of a unit, and the runs that may rest on one of them: a wide net, which whoever judges
 * draws in.
 *
 * @phpstan-type ToldRun array{
 *     run: string, campaign: string, policy: string, instrument: string, person: string, task: string, start: string,
 * }
 */
final readonly class LeaningRuns
{
    private const LEANING = 'check_leaning l WHERE l.reference_id = ? AND l.checked_at >= ? AND l.checked_at <= ?';

    public function __construct(private Connection $connection)
    {
    }

    /** @return list<array{check: string, instrument: string, at: string}> those that the recall covers, in the order of time */
    public function checks(SupposedRecall $recall): array
    {
        return array_map(static fn (array $row): array => [
            'check' => Cells::text($row, 'check_id'),
            'instrument' => Cells::text($row, 'instrument_id'),
            'at' => Cells::moment($row, 'checked_at'),
        ], $this->connection->fetchAllAssociative(
            $recall->kind === SupposedRecall::UNIT
                ? 'SELECT id AS check_id, instrument_id, checked_at FROM check_record'
                    .' WHERE instrument_id = ? AND checked_at >= ? AND checked_at <= ? ORDER BY checked_at, id'
                : 'SELECT l.check_id, l.instrument_id, l.checked_at FROM '.self::LEANING.' ORDER BY l.checked_at, l.check_id',
            self::window($recall),
        ));
    }

    /**
     * Runs whose evidence reached as late as such a check, or of which that is not known yet ({@see RunState::UNKNOWN} lies behind all
     * moments); and those of the same person around them.
     *
     * @return list<ToldRun>
     */
    public function runs(SupposedRecall $recall): array
    {
        if ($recall->kind === SupposedRecall::UNIT) {
            return $this->around($this->connection->fetchAllAssociative(
                "SELECT run_id, shift_key, started_at FROM run_state WHERE instrument_id = ? AND campaign_id <> '' AND settled_until >= ?"
                    .' ORDER BY started_at',
                [$recall->recalled, Moments::text($recall->since())],
            ));
        }
        $window = self::window($recall);
        $first = 'SELECT MIN(l.checked_at) FROM '.self::LEANING.' AND l.instrument_id = s.instrument_id';

        return $this->around($this->connection->executeQuery(
            'SELECT s.run_id, s.shift_key, s.started_at FROM run_state s WHERE s.instrument_id IN (SELECT l.instrument_id FROM '
                .self::LEANING.") AND s.campaign_id <> '' AND s.settled_until >= ($first) ORDER BY s.started_at",
            [...$window, ...$window],
        )->fetchAllAssociative());
    }

    /**
     * @param list<array<string, mixed>> $touched states of runs, by their start
     *
     * @return list<ToldRun> these, and those of the same person around them
     */
    private function around(array $touched): array
    {
        $runs = [];
        foreach (array_chunk($touched, 200) as $some) {
            array_push($runs, ...array_map(static fn (array $row): string => Cells::text($row, 'run_id'), $some), ...$this->mates($some));
        }

        return $this->told(array_values(array_unique($runs)));
    }

    /** @return array{string, string, string} */
    private static function window(SupposedRecall $recall): array
    {
        $until = $recall->until();

        return [$recall->recalled, Moments::text($recall->since()), $until === null ? Moments::ENDLESS : Moments::text($until)];
    }

    /**
     * Runs of the same persons some days around.
     *
     * @param non-empty-list<array<string, mixed>> $states of runs, by their start
     *
     * @return list<string>
     */
    private function mates(array $states): array
    {
        $starts = array_map(static fn (array $state): string => Cells::text($state, 'started_at'), $states);
        $within = 86400.0 * RunState::SHIFT;

        return array_values(array_filter($this->connection->executeQuery(
            "SELECT run_id FROM run_state WHERE shift_key IN (?) AND shift_key <> '' AND campaign_id <> '' AND started_at BETWEEN ? AND ?",
            [
                array_values(array_unique(array_map(static fn (array $state): string => Cells::text($state, 'shift_key'), $states))),
                Moments::text(Span::shift(Moments::of(min($starts)), -$within)),
                Moments::text(Span::shift(Moments::of(max($starts)), $within)),
            ],
            [ArrayParameterType::STRING, ParameterType::STRING, ParameterType::STRING],
        )->fetchFirstColumn(), \is_string(...)));
    }

    /**
     * @param list<string> $runs
     *
     * @return list<ToldRun>
     */
    private function told(array $runs): array
    {
        $told = [];
        foreach (array_chunk($runs, 500) as $some) {
            foreach ($this->connection->executeQuery(
                'SELECT s.run_id, s.campaign_id, c.policy_key, s.instrument_id, s.person, s.task, s.started_at FROM run_state s'
                    .' JOIN campaign c ON c.id = s.campaign_id WHERE s.run_id IN (?)',
                [$some],
                [ArrayParameterType::STRING],
            )->fetchAllAssociative() as $row) {
                $told[] = [
                    'run' => Cells::text($row, 'run_id'),
                    'campaign' => Cells::text($row, 'campaign_id'),
                    'policy' => Cells::text($row, 'policy_key'),
                    'instrument' => Cells::text($row, 'instrument_id'),
                    'person' => Cells::text($row, 'person'),
                    'task' => Cells::text($row, 'task'),
                    'start' => Cells::moment($row, 'started_at'),
                ];
            }
        }
        // Unit by unit: what is read of one serves all its runs.
        $order = static fn (array $run): array => [$run['instrument'], $run['start'], $run['run']];
        usort($told, static fn (array $a, array $b): int => $order($a) <=> $order($b));

        return $told;
    }
}
