<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\AdditiveMixture;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Headline;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\ValueCounts;

/** All channels of a run together: each with its own results, and mixtures of those that harm alike. */
final readonly class GasResults implements FamilyResults
{
    /** @var list<Result> */
    private array $results;

    /** @param non-empty-array<string, ChannelResults> $channels */
    public function __construct(public array $channels, Yardsticks $yardsticks)
    {
        $all = array_merge(...array_map(static fn (ChannelResults $one): array => $one->results(), array_values($channels)));
        $judge = new LimitJudge();
        $mixtures = array_map(static fn (Result $result): Result => $judge->judge($result, $yardsticks->limits, static fn (): array => [null, 'Each part has a tipping point of its own.']), AdditiveMixture::all($all, $yardsticks, SharedEquation::TimeWeightedAverage));
        $this->results = [...$all, ...$mixtures];
    }

    public function results(): array
    {
        return $this->results;
    }

    public function drifts(): array
    {
        return array_merge(...array_map(static fn (ChannelResults $one): array => $one->drifts(), array_values($this->channels)));
    }

    public function headline(array $results): ?string
    {
        return Headline::of($results, ChannelResults::KINDS);
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $policy->limit('gas.span-drift', 'share');
    }

    public function uncertaintyOf(Check $check): ?float
    {
        return null;
    }

    public function ordinary(Result $result): ?Figure
    {
        return $result->indicated;
    }

    public function describe(Sheet $sheet): array
    {
        $channels = array_values($this->channels);
        $first = $channels[0]->run;

        return [
            'kind' => 'gas',
            'log' => $first->log === null ? null : ['start' => $first->log->start()->format(\DATE_ATOM), 'stepSeconds' => $first->log->step(), 'length' => $first->log->length()],
            'alarms' => $first->log === null || $first->alarms() === null ? null : ValueCounts::of($first->log, $first->alarms(), [[0, $first->log->length()]])->above(0.0),
            'channels' => array_map(static fn (ChannelResults $one): array => $one->describe($sheet), $channels),
        ];
    }
}
