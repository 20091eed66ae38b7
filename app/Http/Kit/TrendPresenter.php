<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\GoingOn;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\SharedMoves;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\App\Runs\FitNow;
use Footnote\Core\Judgement\RoutineOfUnit;
use Footnote\Core\Judgement\TrendSignal;
use Footnote\Core\Statistics\IndividualsChart;

/**
 * How a unit goes on, channel by channel: its control charts, what is out of the ordinary, what is to be known before it is used, and what
 * its checks teach of its intervals.
 *
 * @phpstan-import-type GoesOn from GoingOn
 */
final readonly class TrendPresenter
{
    public function __construct(
        private Logbook $logbook,
        private GoingOn $goingOn,
        private SharedMoves $shared,
        private KitPolicy $policy,
        private Policies $policies,
        private SiteClock $site,
        private FitNow $fit,
    ) {
    }

    /** @return array{policy: string, channels: list<array<string, mixed>>} */
    public function of(string $id): array
    {
        if ($this->logbook->instrumentRecord($id) === null) {
            throw Problem::missing('Instrument '.$id);
        }
        // Before there is a campaign the first of the shipped says what is out of the ordinary.
        $policy = $this->policy->policy() ?? $this->policies->get($this->policies->newest()[0] ?? '');

        $now = $this->site->now();
        $routines = $this->fit->of($id)->routines ?? [];

        return [
            'policy' => $policy->name,
            'channels' => array_map(
                static fn (array $one): array => [
                    ...self::channel($one),
                    'learned' => $one['learned']?->words(self::due($routines, $one['channel'], $now), $now) ?? [],
                ],
                $this->goingOn->of($id, $policy, $now),
            ),
        ];
    }

    /** @return array{channels: list<array<string, mixed>>} what units share on a reference */
    public function ofReference(string $id): array
    {
        if ($this->logbook->referenceRecords([$id]) === []) {
            throw Problem::missing('Reference '.$id);
        }

        return ['channels' => array_map(static fn (array $one): array => [
            'of' => $one['of'],
            'channel' => $one['channel'],
            'unit' => $one['scale']->unit->value,
            'points' => array_map(static fn (array $row): array => [
                'check' => \sprintf('%s, %d units', $row['when'], $row['units']),
                'at' => substr($row['when'], 0, 10).'T12:00:00+00:00',
                'value' => $row['shared'],
                'out' => $row['together'],
            ], $one['trend']->rows),
            'chart' => self::chart($one['trend']->chart),
            'words' => $one['trend']->words,
        ], $this->shared->of($id))];
    }

    /**
     * @param GoesOn $one
     *
     * @return array<string, mixed>
     */
    private static function channel(array $one): array
    {
        $watch = $one['watch'];
        $out = array_map(static fn (TrendSignal $signal): string => $signal->at->check, $watch->signals);

        return [
            'channel' => $one['channel'],
            'unit' => $watch->series->unit->value,
            'isFound' => $watch->series->isFound,
            'points' => array_map(static fn (array $point): array => [
                'check' => $point[0]->check,
                'at' => $point[0]->at->format(\DATE_ATOM),
                'value' => $point[1],
                'out' => \in_array($point[0]->check, $out, true),
            ], $watch->series->points),
            'chart' => self::chart($watch->chart),
            'words' => $one['words'],
            'now' => $one['now'],
        ];
    }

    /**
     * @param list<RoutineOfUnit> $routines
     *
     * @return list<array{string, \DateTimeImmutable}> what of it falls due yet, and when
     */
    private static function due(array $routines, string $channel, \DateTimeImmutable $now): array
    {
        $due = [];
        foreach ($routines as $one) {
            $until = $one->standing->until();
            if ($until !== null && $until > $now && \in_array($one->channel, ['', $channel], true)) {
                $due[] = [$one->standing->routine->id(), $until];
            }
        }

        return $due;
    }

    /** @return array{centre: float, lower: float, upper: float}|null */
    private static function chart(?IndividualsChart $chart): ?array
    {
        return $chart === null ? null : ['centre' => $chart->centre, 'lower' => $chart->lower(), 'upper' => $chart->upper()];
    }
}
