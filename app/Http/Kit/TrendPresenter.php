<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\GoingOn;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\SharedMoves;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Judgement\TrendSignal;
use Footnote\Core\Judgement\TrendWatch;
use Footnote\Core\Statistics\IndividualsChart;

/** How a unit goes on, channel by channel: its control charts, what is out of the ordinary, and what is to be known before it is used. */
final readonly class TrendPresenter
{
    public function __construct(
        private Logbook $logbook,
        private GoingOn $goingOn,
        private SharedMoves $shared,
        private KitPolicy $policy,
        private Policies $policies,
        private SiteClock $site,
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

        return [
            'policy' => $policy->name,
            'channels' => array_map(self::channel(...), $this->goingOn->of($id, $policy, $this->site->now())),
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
     * @param array{channel: string, watch: TrendWatch, words: list<string>, now: list<string>} $one
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

    /** @return array{centre: float, lower: float, upper: float}|null */
    private static function chart(?IndividualsChart $chart): ?array
    {
        return $chart === null ? null : ['centre' => $chart->centre, 'lower' => $chart->lower(), 'upper' => $chart->upper()];
    }
}
