<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Statistics\Crossing;
use Footnote\Core\Statistics\IndividualsChart;
use Footnote\Core\Statistics\RunsRule;

/**
 * How a unit goes on, by what its checks found since it was last changed: what is ordinary for it, what was not, and when it will be
 * too far off if nobody adjusts it. Advice, no verdict: no result rests on it.
 */
final readonly class TrendWatch
{
    /** A projection that may come true within so many days is said before the unit is used (own). */
    private const SOON = 92;
    /** So many of the last signals are told. */
    private const TOLD = 5;

    /**
     * @param list<HistoryPoint> $since  the checks since it was last changed
     * @param list<TrendSignal> $signals in order of time
     * @param list<string>      $words   all that is to be said
     * @param list<string>      $now     what is to be known before the unit is used
     * @param Crossing|null     $creeps  when it will be too far off if it goes on as it did, in days from now; null: no such line is seen
     */
    private function __construct(
        public array $since,
        public TrendSeries $series,
        public ?IndividualsChart $chart,
        public array $signals,
        public array $words,
        public array $now,
        public ?Crossing $creeps,
    ) {
    }

    /**
     * @param ShiftScale         $scale         what nobody could tell apart
     * @param Limit|null         $action        how far off it may be found before something is done, in the unit of the history
     * @param list<Intervention> $interventions in order of time
     * @param \DateTimeImmutable $now           in the zone of the site
     */
    public static function of(
        UnitHistory $history,
        ShiftScale $scale,
        ?Limit $action,
        Policy $policy,
        array $interventions,
        \DateTimeImmutable $now,
    ): self {
        [$since, $jump] = self::since($history->points, $interventions, $history->unit, $now);
        $series = TrendSeries::of($since, $history);
        $chart = $series->chart();
        $signals = $chart === null ? [] : self::signals($chart, $series, $scale, $policy, $now);
        $told = array_map(static fn (TrendSignal $one): string => $one->words, \array_slice($signals, -self::TOLD));
        $last = array_column($series->points, 0)[\count($series->points) - 1] ?? null;
        $atLast = array_filter($signals, static fn (TrendSignal $one): bool => $one->at === $last);
        [$projected, $creeps] = self::projected($since, $scale, $action, $history->unit, $now);

        return new self(
            $since,
            $series,
            $chart,
            $signals,
            [
                ...$jump,
                self::ordinary($chart, $series, $jump !== []),
                ...$told,
                ...self::adjusted($since, $history->unit, $jump !== []),
                ...$projected,
            ],
            [
                ...array_map(static fn (TrendSignal $one): string => $one->words, array_values($atLast)),
                ...($creeps !== null && $creeps->from <= self::SOON ? $projected : []),
            ],
            $creeps,
        );
    }

    /**
     * Those since the unit was last changed: a check as found that cannot be held against how the one before left it begins anew.
     *
     * @param list<HistoryPoint> $points
     * @param list<Intervention> $interventions
     *
     * @return array{list<HistoryPoint>, list<string>} and what the change made of it, in words
     */
    private static function since(array $points, array $interventions, Unit $unit, \DateTimeImmutable $now): array
    {
        $since = [];
        $jump = [];
        $before = null;
        foreach ($points as $point) {
            if ($point->drift === null && $point->found !== null && $before !== null && $before->left !== null) {
                $since = [];
                $done = self::done($interventions, $before->at, $point->at);
                $jump = [\sprintf(
                    $done === ''
                        ? 'What %s, %s, found could not be held against how it had been left. Its history begins anew there.'
                        : 'It was last changed before %s, %s: found %s from how it had been left (%s). Its history begins anew there.',
                    $point->check,
                    $point->at->setTimezone($now->getTimezone())->format('j M Y'),
                    SignedWords::of($point->found - $before->left, $unit),
                    $done,
                )];
            }
            $since[] = $point;
            $before = $point;
        }

        return [$since, $jump];
    }

    private static function ordinary(?IndividualsChart $chart, TrendSeries $series, bool $wasChanged): string
    {
        $count = \count($series->points);

        return $chart === null
            ? \sprintf(
                'What is ordinary for it is known from %d drifts on; %s there %s.',
                IndividualsChart::LEAST,
                $wasChanged ? 'since it was last changed' : 'so far',
                $count === 1 ? 'is 1' : 'are '.$count,
            )
            : \sprintf(
                'By %d checks it %s by %s on average; between %s and %s is ordinary for it (± 3 s of the moving range).',
                $count,
                $series->verb(),
                SignedWords::of($chart->centre, $series->unit),
                SignedWords::of($chart->lower(), $series->unit),
                SignedWords::of($chart->upper(), $series->unit),
            );
    }

    /** @return list<TrendSignal> */
    private static function signals(
        IndividualsChart $chart,
        TrendSeries $series,
        ShiftScale $scale,
        Policy $policy,
        \DateTimeImmutable $now,
    ): array {
        $signals = [];
        foreach (self::rules($policy) as $rule) {
            foreach ($chart->against($rule, $scale->near) as $place) {
                [$point, $value] = $series->points[$place];
                $day = $point->at->setTimezone($now->getTimezone())->format('j M Y');
                $signals[] = new TrendSignal($rule, $point, match ($rule) {
                    RunsRule::Beyond => \sprintf(
                        'At %s, %s, it %s by %s: more than is ordinary for it.',
                        $point->check,
                        $day,
                        $series->verb(),
                        SignedWords::of($value, $series->unit),
                    ),
                    default => \sprintf(
                        'Up to %s, %s, %d of %d in a row lie to one side%s: it creeps, or its reference does.',
                        $point->check,
                        $day,
                        $rule->wanted(),
                        $rule->among(),
                        $rule->sigmas() > 0 ? \sprintf(' by more than %d s', (int) $rule->sigmas()) : ' of its mean',
                    ),
                });
            }
        }
        usort($signals, static fn (TrendSignal $a, TrendSignal $b): int => $a->at->at <=> $b->at->at);

        return $signals;
    }

    /** @return non-empty-list<RunsRule> */
    private static function rules(Policy $policy): array
    {
        return match ($policy->choice(PolicyChoice::Trends)) {
            PolicyChoice::LIMITS_ALONE => [RunsRule::Beyond],
            PolicyChoice::EVERY_RUN => RunsRule::cases(),
            default => [RunsRule::Beyond, RunsRule::OneSide],
        };
    }

    /** @param list<Intervention> $interventions */
    private static function done(array $interventions, \DateTimeImmutable $from, \DateTimeImmutable $to): string
    {
        $done = array_values(array_filter($interventions, static fn (Intervention $one): bool => $one->at > $from && $one->at <= $to));

        return implode(', ', array_map(
            static fn (Intervention $one): string => $one->kind->id().($one->note === '' ? '' : ', '.$one->note),
            $done,
        ));
    }

    /**
     * @param list<HistoryPoint> $since
     *
     * @return list<string>
     */
    private static function adjusted(array $since, Unit $unit, bool $wasChanged): array
    {
        $of = array_map(static fn (HistoryPoint $one): ?float => $one->adjustment, $since);
        $adjustments = array_values(array_filter($of, \is_float(...)));

        return $adjustments === [] ? [] : [\sprintf(
            'Adjusted %s%s, by %s in all.',
            \count($adjustments) === 1 ? 'once' : \count($adjustments).' times',
            $wasChanged ? ' since then' : '',
            SignedWords::of(array_sum($adjustments), $unit),
        )];
    }

    /**
     * When it will be found too far off if it goes on as it did since it was last adjusted.
     *
     * @param list<HistoryPoint> $since
     *
     * @return array{list<string>, Crossing|null} in words, and in days from now
     */
    private static function projected(array $since, ShiftScale $scale, ?Limit $action, Unit $unit, \DateTimeImmutable $now): array
    {
        $times = [];
        $values = [];
        $day = static fn (\DateTimeImmutable $at): float => Span::secondsBetween($now, $at) / 86400;
        foreach ($since as $point) {
            if ($point->adjustment !== null) {
                $times = [];
                $values = [];
            }
            $shown = $point->adjustment === null ? $point->found : $point->left;
            if ($shown !== null) {
                $times[] = $day($point->at);
                $values[] = $shown;
            }
        }
        $times = \array_slice($times, -TrendSeries::MOST);
        $values = \array_slice($values, -TrendSeries::MOST);
        $limit = $action?->toFloat();
        $crossing = $limit === null ? null : Crossing::of($times, $values, $limit);
        // What it moved by meanwhile has to be more than nobody could tell apart.
        $took = $times === [] ? 0.0 : max($times) - min($times);
        if ($action === null || $crossing === null || abs($crossing->slope) * $took <= $scale->near) {
            return [[], null];
        }
        $date = static fn (float $days): string => Span::shift($now, 86400 * $days)->setTimezone($now->getTimezone())->format('j M Y');
        $off = $action->amount();
        $goes = \sprintf('It goes on by %s in 30 days since it was last adjusted', SignedWords::of(30 * $crossing->slope, $unit));

        return [[match (true) {
            $crossing->to <= 0 => \sprintf('%s, and is off by %s by now.', $goes, $off),
            $crossing->from <= 0 => \sprintf(
                '%s: off by %s about %s, and with 95 %% confidence by %s; it may be so already.',
                $goes,
                $off,
                $date($crossing->at),
                $date($crossing->to),
            ),
            default => \sprintf(
                '%s: off by %s about %s, with 95 %% confidence between %s and %s.',
                $goes,
                $off,
                $date($crossing->at),
                $date($crossing->from),
                $date($crossing->to),
            ),
        }], $crossing];
    }
}
