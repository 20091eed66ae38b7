<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\CheckedByRoutine;
use Footnote\Core\Judgement\Composing;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Topic;
use Footnote\Core\Judgement\Yardsticks;

/** Air sampling pumps and other samplers that pull air: a flow, a flow standard, volumes and concentrations. */
final readonly class FlowFamily implements Family, Composing, CheckedByRoutine
{
    public const ID = 'air-sampler';

    public function id(): string
    {
        return self::ID;
    }

    public function title(): string
    {
        return 'air sampler';
    }

    public function usability(?Policy $policy = null): Usability
    {
        return new FlowUsability($policy);
    }

    public function bracketRestsOn(): string
    {
        return 'flow';
    }

    public function topic(): Topic
    {
        return new Topic(
            ['flow' => 'Air sampling', 'lab' => 'Laboratory'],
            'flow',
            'Volumes are reported',
            [...Topic::ANSWERS, Answer::Cautious],
        );
    }

    public function procedures(Instrument $unit): array
    {
        return FlowProcedures::of($unit);
    }

    public function bench(): BenchGuide
    {
        return new FlowBench();
    }

    public function rules(): array
    {
        return [
            new Rule\Change('flow.change', 'flow.change-large'),
            new Rule\Change('flow.change-large', null),
            new Rule\Replicates(),
            new Rule\ReplicatesFew(),
            new Rule\DesignFlow('flow.design', 'flow.design-large'),
            new Rule\DesignFlow('flow.design-large', null),
            new Rule\CheckDue(),
            new Rule\NoFlow(),
            new Rule\BelowStandard(),
            new Rule\Medium(),
            new Rule\ConditionsMissing(),
            new Rule\ConditionsOff(),
            new Rule\Leak(),
            new Rule\HumidityOption(),
            new Rule\VolumeRange(),
            new Rule\MethodFlow(),
            new Rule\TimerAgainstClock(),
            new Rule\StoppedEarly(),
            new Rule\MediumTwice(),
            new Rule\Correlation(),
            new Rule\FewPoints(),
            new Rule\SamplerTemperature(),
            new Rule\SamplerPressure(),
            new Rule\SamplerFlow(),
            new Rule\NoLaboratoryResult(),
            new Rule\CorrectionUnknown(),
            new Rule\BelowQuantitation(),
            new Rule\Estimated(),
            new Rule\BlankHigh(),
            new Rule\BlanksFew(),
            new Rule\Breakthrough('lab.breakthrough', 'lab.breakthrough-large'),
            new Rule\Breakthrough('lab.breakthrough-large', null),
            new Rule\BelowZero(),
            new Rule\SectionsTurned(),
            new Rule\DesorptionMissing(),
            new Rule\DesorptionLow(),
            new Rule\Superseded(),
        ];
    }

    public function checksDueBy(Instrument $unit): ?string
    {
        return $unit->traits->text('kind') === FlowFormat::PUMP ? null : Rule\CheckDue::ID;
    }

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults
    {
        return (new SampleWorkings($run, $bracket, $timeline, $policy, $yardsticks))->results();
    }

    public function composes(Run $run): bool
    {
        return $run->timing->stop !== null;
    }

    public function compose(Assessment $own, array $shift, Policy $policy, Yardsticks $yardsticks): array
    {
        return (new ShiftExposure($own, $shift, $policy, $yardsticks))->results();
    }
}
