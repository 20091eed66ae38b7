<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SteadyStretches;
use Footnote\Core\Quantity\Span;

/** A stretch of a log in which channels stood at the value of their own span gas: a check that went into the log. */
final readonly class TestGas
{
    /**
     * @param Span                 $span   with the margin in which gas comes and goes
     * @param array<string, float> $labels what the bottle holds, by the channels that stood at it
     */
    private function __construct(public Span $span, public array $labels)
    {
    }

    private function with(self $other): self
    {
        return new self(new Span(min($this->span->from, $other->span->from), max($this->span->to, $other->span->to)), [...$this->labels, ...$other->labels]);
    }

    public function words(): string
    {
        return implode(', ', array_map(static fn (string $channel, float $label): string => $channel.' '.rtrim(rtrim(number_format($label, 2, '.', ''), '0'), '.'), array_keys($this->labels), array_values($this->labels)));
    }

    /**
     * Every such stretch of the run, on whichever channel it shows: all channels were in the same cap.
     *
     * @return list<self>
     */
    public static function in(GasRecord $record, Run $run, Timeline $channel, Policy $policy): array
    {
        $whole = $channel->whole ?? $channel;

        return $whole->memory->once(\sprintf('test gas in %s by %s', $run->id, $policy->id), static fn (): array => self::found($record, $run, $whole, $policy));
    }

    /** @return list<self> */
    private static function found(GasRecord $record, Run $run, Timeline $whole, Policy $policy): array
    {
        $limit = static fn (string $name): ?float => $policy->limit('gas.test-gas', $name)?->toFloat();
        [$near, $spread, $seconds, $margin] = [$limit('near'), $limit('spread'), $limit('seconds'), $limit('margin')];
        $log = $record->log;
        if ($log === null || $near === null || $spread === null || $seconds === null || $margin === null) {
            return [];
        }
        $clock = new LogClock($log, $run);
        $found = [];
        foreach (Channel::of($whole->instrument) as $channel) {
            $column = $record->column($channel->name);
            if ($column === null) {
                continue;
            }
            foreach (self::labels($channel, $whole) as $label) {
                // Near is a share of how far the gas lies from clean air, which for oxygen is little.
                $rise = abs(1000 * ($label - $channel->kind->inCleanAir()->toFloat()));
                $finder = new SteadyStretches(max(3, (int) ceil($seconds / $log->step())), (int) round($rise * $spread / 100), false, [(int) round(1000 * $label)], (int) round($rise * $near / 100));
                foreach ($log->chunks($column) as $chunk) {
                    $finder->feed($chunk);
                }
                foreach ($finder->stretches() as [$from, $to]) {
                    $span = $clock->span($from, $to);
                    $found[] = new self(new Span(Span::shift($span->from, -$margin), Span::shift($span->to, $margin)), [$channel->name => $label]);
                }
            }
        }
        $inRun = $run->span();
        $found = array_values(array_filter($found, static fn (self $one): bool => $inRun !== null && $one->span->overlaps($inRun)));
        usort($found, static fn (self $a, self $b): int => $a->span->from <=> $b->span->from);
        $joined = [];
        foreach ($found as $one) {
            $last = \count($joined) - 1;
            $joined = $last >= 0 && $joined[$last]->span->overlaps($one->span) ? [...\array_slice($joined, 0, $last), $joined[$last]->with($one)] : [...$joined, $one];
        }

        return $joined;
    }

    /**
     * What its span gases hold, apart from what the air of any room may hold as well.
     *
     * @return list<float>
     */
    private static function labels(Channel $channel, Timeline $whole): array
    {
        $response = new GasResponse($channel);
        $part = ChannelCheck::timeline($channel->name, $whole);
        $labels = [];
        foreach ($part->checks as $check) {
            $label = $check->content instanceof ChannelCheck ? $response->label($check, $check->content, $part) : null;
            if ($label !== null && abs($label->toFloat() - $channel->kind->inCleanAir()->toFloat()) >= 1.0) {
                $labels[(string) $label->toFloat()] = $label->toFloat();
            }
        }

        return array_values($labels);
    }
}
