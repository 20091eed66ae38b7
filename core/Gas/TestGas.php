<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Tallying;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Alteration;
use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\SteadyStretches;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Span;

/**
 * Stretches of a log in which channels stood at the value of their own span gas. Within a check on record they are taken out;
 * elsewhere only where every gas of a cylinder shows together, for a short while and a small part of the run. One channel
 * alone may be work in that gas, and is offered to a person.
 */
final readonly class TestGas
{
    public const RULE = 'gas.test-gas-removed';

    /** @param array<array-key, float> $labels what the cylinder holds, by the channels that stood at it */
    private function __construct(public Span $span, public array $labels, public string $cylinder, private bool $whole)
    {
    }

    private function words(): string
    {
        return \sprintf(
            'span gas of %s (%s) from %s to %s',
            $this->cylinder,
            implode(
                ', ',
                array_map(
                    static fn (int|string $channel, float $label): string => $channel.' '.Digits::trimmed($label, 2),
                    array_keys($this->labels),
                    array_values($this->labels),
                ),
            ),
            $this->span->from->format('H:i:s'),
            $this->span->to->format('H:i:s'),
        );
    }

    /**
     * What becomes of every such stretch of the run; all channels were in the same cap.
     *
     * @return list<Alteration>
     */
    public static function in(GasRecord $record, Run $run, Timeline $channel, Policy $policy): array
    {
        $whole = $channel->whole();

        return $whole->judging->once(
            \sprintf('test gas in %s by %s %d', $run->id, $policy->id, $policy->version),
            static fn (): array => self::judged(self::found($record, $run, $whole, $policy), $run, $whole, $policy),
        );
    }

    /**
     * @param list<self> $found in order of time
     *
     * @return list<Alteration>
     */
    private static function judged(array $found, Run $run, Timeline $whole, Policy $policy): array
    {
        $limit = static fn (string $name, float $else): float => $policy->limit(self::RULE, $name)?->toFloat() ?? $else;
        $margin = $limit('margin', 60.0);
        $allowed = $limit('ofRun', 5.0) / 100 * ($run->span()?->seconds() ?? 0.0);
        $alterations = [];
        $taken = 0.0;
        foreach ($found as $one) {
            $check = self::recorded($one, $whole, $limit('recorded', 30.0));
            $doubt = match (true) {
                !$one->whole => 'one channel alone stood at its gas, and work may stand there too',
                $one->span->seconds() > 60 * $limit('longest', 10.0) => 'it lasts longer than a check',
                $taken + $one->span->seconds() > $allowed => 'it makes too large a part of the run',
                default => null,
            };
            [$kind, $why] = match (true) {
                $check !== null => [
                    AlterationKind::Recorded,
                    \sprintf('it belongs to the check %s of %s', $check->id, $check->at->format('H:i')),
                ],
                $doubt === null => [AlterationKind::Rule, 'every gas of the cylinder shows together, and no check is on record'],
                default => [AlterationKind::Offered, $doubt],
            };
            $taken += $kind === AlterationKind::Rule ? $one->span->seconds() : 0.0;
            // Gas comes and goes over a while on either side.
            $span = $kind->isTaken() ? new Span(Span::shift($one->span->from, -$margin), Span::shift($one->span->to, $margin)) : $one->span;
            $alterations[] = new Alteration($kind, $one->words(), $why, self::RULE, $span);
        }

        return $alterations;
    }

    /**
     * The check on record that it belongs to: one that used that cylinder; of a channel alone only while the gas was on and
     * shortly after.
     */
    private static function recorded(self $one, Timeline $whole, float $minutes): ?Check
    {
        [$before, $after] = $one->whole ? [60 * $minutes, 60 * $minutes] : [300.0, 60 * $minutes];
        foreach ($whole->checksFrom(Span::shift($one->span->to, -$after), Span::shift($one->span->from, $before)) as $check) {
            if (\in_array($one->cylinder, $check->leansOn(), true)) {
                return $check;
            }
        }

        return null;
    }

    /** @return list<self> */
    private static function found(GasRecord $record, Run $run, Timeline $whole, Policy $policy): array
    {
        $limit = static fn (string $name): ?float => $policy->limit(self::RULE, $name)?->toFloat();
        $near = $limit('near');
        $spread = $limit('spread');
        $seconds = $limit('seconds');
        $log = $record->log;
        if ($log === null || $near === null || $spread === null || $seconds === null) {
            return [];
        }
        $clock = new LogClock($log, $run);
        $found = [];
        foreach (self::cylinders($whole, self::until($run, $whole)) as $id => $labels) {
            $ranges = [];
            $stood = [];
            foreach (Channel::of($whole->instrument) as $channel) {
                $column = $record->column($channel->name);
                if ($column !== null && isset($labels[$channel->name])) {
                    $stood[$channel->name] = $labels[$channel->name];
                    $ranges[$channel->name] = self::stretches($log, $column, $channel, $labels[$channel->name], $near, $spread, $seconds);
                }
            }
            $together = \count($ranges) > 1 ? LogRanges::common(array_values($ranges)) : [];
            foreach ($together as $range) {
                $found[] = new self($clock->span(...$range), $stood, (string) $id, true);
            }
            foreach ($ranges as $name => $some) {
                foreach ($some as $range) {
                    if (!LogRanges::meet($together, $range)) {
                        $found[] = new self($clock->span(...$range), [$name => $stood[$name]], (string) $id, false);
                    }
                }
            }
        }
        $inRun = $run->span();
        $found = array_values(array_filter($found, static fn (self $one): bool => $inRun !== null && $one->span->overlaps($inRun)));
        usort($found, static fn (self $a, self $b): int => [$a->span->from, $b->whole] <=> [$b->span->from, $a->whole]);

        return $found;
    }

    /** @return list<array{int, int}> in which a channel stood at its label */
    private static function stretches(
        SeriesLog $log,
        int $column,
        Channel $channel,
        float $label,
        float $near,
        float $spread,
        float $seconds,
    ): array {
        // Near is a share of how far the gas lies from clean air, which for oxygen is little.
        $rise = abs(1000 * ($label - $channel->kind->inCleanAir()->toFloat()));
        $finder = new SteadyStretches(
            max(3, (int) ceil($seconds / $log->step())),
            (int) round($rise * $spread / 100),
            false,
            [(int) round(1000 * $label)],
            (int) round($rise * $near / 100),
        );
        foreach ($log->chunks($column) as $chunk) {
            $finder->feed($chunk);
        }

        return $finder->stretches();
    }

    /** Up to the check that was made when it came home; whatever it met later it did not meet in this run. */
    private static function until(Run $run, Timeline $whole): \DateTimeImmutable
    {
        $end = new \DateTimeImmutable(Timeline::END);
        foreach ($whole->checksFrom($run->timing->stop ?? $end) as $check) {
            return $check->at;
        }

        return $end;
    }

    /**
     * The cylinders that the unit has met up to a moment, with what they hold for each channel, apart from what the air of any room holds.
     *
     * @return array<array-key, array<array-key, float>> label by channel, by cylinder
     */
    private static function cylinders(Timeline $whole, \DateTimeImmutable $until): array
    {
        $cylinders = [];
        foreach (Channel::of($whole->instrument) as $channel) {
            foreach (Tallying::upTo($until, new GasFold($channel), ChannelCheck::timeline($channel->name, $whole))->met as $met) {
                $cylinders[$met->reference][$channel->name] = $met->value;
            }
        }

        return $cylinders;
    }
}
