<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Judgement\AdditiveMixture;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\Channelled;
use Footnote\Core\Judgement\CheckedByRoutine;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Rule\RemovedByRule;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Judgement\Topic;
use Footnote\Core\Judgement\Yardsticks;

/** Direct-reading monitors of gases and vapours: a linear response per channel, bottles of gas, logs of several channels. */
final readonly class GasFamily implements Family, Channelled, CheckedByRoutine
{
    public const ID = 'gas-monitor';

    public function id(): string
    {
        return self::ID;
    }

    public function title(): string
    {
        return 'gas and vapour monitor';
    }

    public function usability(?Policy $policy = null): Usability
    {
        return new GasUsability($policy);
    }

    public function bracketRestsOn(): string
    {
        return 'gain';
    }

    public function topic(): Topic
    {
        return new Topic(['gas' => 'Gas and vapour monitors'], 'linear', 'Gases and vapours are reported');
    }

    public function procedures(Instrument $unit): array
    {
        return GasProcedures::of($unit);
    }

    public function bench(): BenchGuide
    {
        return new GasBench();
    }

    public function rules(): array
    {
        return [
            new Rule\SpanDrift(),
            new Rule\ZeroDrift(),
            new Rule\AsFoundLarge(),
            new Rule\ReadBack('gas.read-back', false),
            new Rule\ReadBack('gas.read-back-large', true),
            new Rule\NoAnswer(),
            new Rule\BumpOff(),
            new Rule\BumpDue(),
            new Rule\CalibrationDue(),
            new Rule\OxygenByAir(),
            new Rule\LelBasis(),
            new Rule\CrossResponse(),
            new Rule\AfterIsobutylene(),
            new Rule\ExpectedValue(),
            new Rule\SelectedGas(),
            new Rule\BottlePressure(),
            new Rule\ZeroUnfit(),
            new Rule\NotSaved(),
            new Rule\NotPurged(),
            new Rule\SensorAged(),
            new Rule\BumpOnly(),
            new Rule\PowerOnZero(),
            new Rule\ConditionsChanged(),
            new RemovedByRule(TestGas::RULE),
            new Rule\LampTooWeak(),
            new Rule\FactorMissing(),
            new Rule\FactorDoubled(),
            new Rule\FactorForeign(),
            new Rule\UnitMistaken(),
            new Rule\OverRange(),
            new Rule\MemoryWrapped(),
            new Rule\HollowWindows(),
            new Rule\Gap('gas.gap', 'gas.gap-large'),
            new Rule\Gap('gas.gap-large', null),
        ];
    }

    public function checksDueBy(Instrument $unit): ?string
    {
        return $unit->traits->flag('fixed') ? Rule\CalibrationDue::ID : null;
    }

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults
    {
        return (new GasWorkings($run, $bracket, $timeline, $policy, $yardsticks))->results();
    }

    public function channels(Timeline $timeline): array
    {
        return array_map(static fn (Channel $channel): string => $channel->name, Channel::of($timeline->instrument));
    }

    public function ofChannel(string $channel, Timeline $timeline): Timeline
    {
        return ChannelCheck::timeline($channel, $timeline);
    }

    public function measured(string $channel, Run $run): bool
    {
        return $run->content instanceof GasRecord && $run->content->measured($channel);
    }

    public function together(array $channels): FamilyResults
    {
        $own = [];
        foreach ($channels as $name => $results) {
            $own[$name] = $results instanceof ChannelResults ? $results : throw new \LogicException('Not a channel of a monitor.');
        }

        return new GasResults($own);
    }

    public function combined(Assessment $channels, Yardsticks $yardsticks): array
    {
        $standing = array_map(static fn (Result $result): Result => $result->inheriting($channels->verdictOn($result)), $channels->results);

        return array_map(
            static fn (Result $result): Result => (new LimitJudge())->judge(
                $result,
                $yardsticks->limits,
                static fn (): TippingPoint => TippingPoint::none('Each part has a tipping point of its own.'),
            ),
            AdditiveMixture::all($standing, $yardsticks),
        );
    }
}
