<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\SteadyStretches;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Span;

/**
 * Looks for a calibrator's tones in a log. What lies within a check on record is taken out; elsewhere only what cannot well
 * be anything else: at the level of a tone, short, standing out of what lies around it, in a log of short intervals, and few
 * of them. Everything else that looks like one is offered to a person: work beside a machine may stand at 94 dB all day.
 */
final class ToneSearch
{
    private const AROUND = 10.0;
    private const RULE = 'noise.tone-removed';

    private readonly ?SteadyStretches $finder;
    /** How near to a level a stretch lies that is looked at, thousandths. */
    private readonly int $wide;

    /** @param list<ToneLevel> $levels */
    public function __construct(
        private readonly SeriesLog $log,
        private readonly Timeline $timeline,
        private readonly array $levels,
        private readonly Policy $policy,
    ) {
        $this->wide = (int) round(2000 * $this->limit('near', 0.5));
        $play = array_reduce($levels, static fn (int $most, ToneLevel $level): int => max($most, $level->most - $level->least), 0);
        $this->finder = $levels === [] || $policy->rule(self::RULE) === null ? null : new SteadyStretches(
            max(3, (int) ceil($this->limit('seconds', 10.0) / $log->step())),
            (int) round(1000 * $this->limit('spread', 0.2)),
            false,
            array_map(static fn (ToneLevel $level): int => intdiv($level->least + $level->most, 2), $levels),
            $this->wide + intdiv($play + 1, 2),
        );
    }

    /** @param non-empty-list<int> $chunk the next levels */
    public function feed(array $chunk): void
    {
        $this->finder?->feed($chunk);
    }

    /** @return list<array{int, int}> */
    public function stretches(): array
    {
        return $this->finder?->stretches() ?? [];
    }

    /**
     * What was found, with what becomes of it.
     *
     * @param int $column of the levels
     *
     * @return list<Tone> in order of time
     */
    public function tones(int $column, LogClock $clock): array
    {
        $ranges = $this->stretches();
        if ($ranges === []) {
            return [];
        }
        $around = $this->around($column, $ranges);
        $tones = [];
        $taken = 0;
        foreach ($ranges as $place => $range) {
            [$mean, $before, $after] = $around[$place];
            $span = $clock->span(...$range);
            $check = $this->recorded($span);
            [$kind, $why] = match (true) {
                $check !== null
                    && $this->standsOut($mean, $before, $after)
                    && $span->seconds() <= 600.0 => [
                        AlterationKind::Recorded,
                        \sprintf('it belongs to the check %s of %s', $check->id, $check->at->format('H:i')),
                    ],
                ($doubt = $this->doubt($mean, $before, $after, $span, $taken)) === null => [
                    AlterationKind::Rule,
                    'it stands at a tone of a calibrator that the instrument has met, and no check is on record',
                ],
                default => [AlterationKind::Offered, $doubt],
            };
            if ($kind === AlterationKind::Rule) {
                ++$taken;
            }
            $tones[] = new Tone(
                $kind->isTaken() ? $clock->span(...self::withEdges($range, $before, $after)) : $span,
                $mean / 1000,
                $kind,
                $why,
            );
        }

        return $tones;
    }

    /** Why a rule may not take it out; null where it may. */
    private function doubt(int $mean, ?Neighbours $before, ?Neighbours $after, Span $span, int $taken): ?string
    {
        return match (true) {
            $this->log->step() > $this->limit('step', 5.0) => \sprintf(
                'intervals of %s s are too long to tell',
                Digits::trimmed($this->log->step(), 1),
            ),
            !$this->isNear($mean) => 'it does not stand at the level of any tone that the instrument has met',
            $span->seconds() > $this->limit('longest', 180.0) => 'it lasts longer than a check',
            !$this->standsOut($mean, $before, $after) => 'it does not stand out of what lies around it',
            $taken >= $this->limit('count', 3.0) => 'there are more of them than anybody checks',
            default => null,
        };
    }

    private function isNear(int $mean): bool
    {
        return array_filter($this->levels, fn (ToneLevel $level): bool => $level->apart($mean) <= 1000 * $this->limit('near', 0.5)) !== [];
    }

    private function standsOut(int $mean, ?Neighbours $before, ?Neighbours $after): bool
    {
        $rise = 1000 * $this->limit('rise', 10.0);
        $beside = array_values(array_filter([$before, $after]));

        // One side is enough where the log begins or ends there.
        return $beside !== [] && array_filter($beside, static fn (Neighbours $one): bool => $mean - $one->lowest < $rise) === [];
    }

    /** The check on record that it belongs to, by its time and the unit's clock set right. */
    private function recorded(Span $span): ?Check
    {
        $minutes = $this->policy->limit(self::RULE, 'recorded')?->toFloat() ?? 30.0;
        foreach ($this->timeline->checksFrom(Span::shift($span->to, -60 * $minutes), Span::shift($span->from, 60 * $minutes)) as $check) {
            if ($check->content instanceof AcousticCheck) {
                return $check;
            }
        }

        return null;
    }

    /**
     * A part-filled interval at an edge goes with it: it is louder than everything else beside the tone.
     *
     * @param array{int, int} $range
     *
     * @return array{int, int}
     */
    private static function withEdges(array $range, ?Neighbours $before, ?Neighbours $after): array
    {
        return [$range[0] - ($before?->partFilled === true ? 1 : 0), $range[1] + ($after?->partFilled === true ? 1 : 0)];
    }

    /**
     * The mean of each stretch, and what lies on either side of it.
     *
     * @param non-empty-list<array{int, int}> $ranges
     *
     * @return list<array{int, ?Neighbours, ?Neighbours}>
     */
    private function around(int $column, array $ranges): array
    {
        $beside = max(1, (int) ceil(self::AROUND / $this->log->step()));
        $sums = array_map(static fn (): int => 0, $ranges);
        /** @var list<array<int, int>> $before */
        $before = array_map(static fn (): array => [], $ranges);
        $after = $before;
        $begin = 0;
        foreach ($this->log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            foreach ($ranges as $r => [$from, $to]) {
                for ($i = max($from - $beside, $begin), $last = min($to + $beside, $end); $i < $last; ++$i) {
                    $value = $chunk[$i - $begin];
                    if ($i >= $from && $i < $to) {
                        $sums[$r] += $value;
                    } elseif ($value !== SeriesLog::GAP && $i < $from) {
                        $before[$r][$i] = $value;
                    } elseif ($value !== SeriesLog::GAP) {
                        $after[$r][$i] = $value;
                    }
                }
            }
            $begin = $end;
        }

        return array_map(
            static fn (int $sum, array $levels, array $later, array $range): array => [
                intdiv($sum, $range[1] - $range[0]),
                Neighbours::of($levels, $range[0] - 1),
                Neighbours::of($later, $range[1]),
            ],
            $sums,
            $before,
            $after,
            $ranges,
        );
    }

    private function limit(string $name, float $else): float
    {
        return $this->policy->limit(self::RULE, $name)?->toFloat() ?? $else;
    }
}
