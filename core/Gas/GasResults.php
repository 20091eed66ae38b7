<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\LogsByChannel;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Log\ChannelSeries;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\Exact;

/** All channels of a run together: each with its own results, and mixtures of those that harm alike. */
final readonly class GasResults implements FamilyResults, LogsByChannel
{
    private WorkedOut $worked;

    /** @param non-empty-array<array-key, ChannelResults> $channels */
    public function __construct(public array $channels)
    {
        $all = array_map(static fn (ChannelResults $one): WorkedOut => $one->worked(), array_values($channels));
        $alterations = [];
        $segment = null;
        foreach ($all as $one) {
            // Of the channel that it was declared for; each channel has its own.
            $segment ??= $one->segment;
            foreach ($one->alterations as $alteration) {
                $alterations[\sprintf('%s %s %s', $alteration->kind->name, $alteration->what, $alteration->why)] = $alteration;
            }
        }
        $this->worked = new WorkedOut(
            array_merge(...array_column($all, 'results')),
            array_merge(...array_column($all, 'drifts')),
            array_values($alterations),
            $segment,
        );
    }

    public function worked(): WorkedOut
    {
        return $this->worked;
    }

    public function driftsOf(Result $result): array
    {
        return $result->channel === null ? [] : (($this->channels[$result->channel] ?? null)?->worked()->drifts ?? []);
    }

    public function headline(array $results): ?string
    {
        return Headline::of($results, ChannelResults::KINDS);
    }

    public function inLedger(Result $result): ?string
    {
        return preg_match('/^(?:twa:|stel:|mixture:)/', $result->key) === 1 ? '' : null;
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('gas.span-drift', 'share');
    }

    public function uncertaintyOf(Check $check): ?Figure
    {
        return null;
    }

    public function ordinary(Result $result): ?Figure
    {
        return $result->answers->indicated;
    }

    public function logged(): array
    {
        $logged = [];
        foreach ($this->channels as $channel => $results) {
            if ($results->sensed->run->log !== null && $results->sensed->run->column((string) $channel) !== null) {
                $logged[] = ['channel' => (string) $channel, 'words' => (string) $channel];
            }
        }

        return $logged;
    }

    public function series(string $channel, Run $run): ?ChannelSeries
    {
        $results = $this->channels[$channel] ?? null;
        $log = $results?->sensed->run->log;
        $column = $results?->sensed->run->column($channel);
        if ($results === null || $log === null || $column === null) {
            return null;
        }
        $applied = $results->sensed->factor->applied->value ?? 1.0;
        $factor = $applied instanceof Exact ? $applied->toFloat() : $applied;
        $undone = $results->sensed->factor->undone->toFloat();
        $line = $results->response->line;

        return ChannelSeries::of(
            $results->sensed->channel->unit,
            $log,
            $column,
            new LogClock($log, $run),
            static fn (int $raw): float => $raw / $undone * $factor,
            $line === null ? null : $line->at(...),
            static fn (int $raw, float $z, float $g): float => ($raw / $undone - 1000 * $z) / $g * $factor,
        );
    }

    public function resultsOf(string $channel): array
    {
        return ($this->channels[$channel] ?? null)?->worked()->results ?? [];
    }

    public function describe(Sheet $sheet): array
    {
        $channels = array_values($this->channels);
        $first = $channels[0]->sensed->run;

        return [
            'kind' => 'gas',
            'log' => $first->log === null
                ? null
                : [
                    'start' => $first->log->start()->format(\DATE_ATOM),
                    'stepSeconds' => $first->log->step(),
                    'length' => $first->log->length(),
                ],
            'alarms' => $first->log === null || $first->alarms() === null
                ? null
                : ValueCounts::of($first->log, $first->alarms(), [[0, $first->log->length()]])->above(0.0),
            'channels' => array_map(static fn (ChannelResults $one): array => $one->describe($sheet), $channels),
        ];
    }
}
