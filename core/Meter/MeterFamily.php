<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\Composing;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\StayingInPlace;
use Footnote\Core\Judgement\Topic;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\AcousticBench;
use Footnote\Core\Noise\AcousticProcedure;
use Footnote\Core\Noise\AcousticUsability;
use Footnote\Core\Noise\NoiseRules;

/** Sound level meters: the response and rules of every unit with a microphone; bands, rooms, and days put together of tasks. */
final readonly class MeterFamily implements Family, Composing, StayingInPlace
{
    public const ID = 'sound-level-meter';

    public function id(): string
    {
        return self::ID;
    }

    public function title(): string
    {
        return 'sound level meter';
    }

    public function usability(?Policy $policy = null): Usability
    {
        return new AcousticUsability();
    }

    public function bracketRestsOn(): string
    {
        return 'offset';
    }

    public function topic(): Topic
    {
        return NoiseRules::topic();
    }

    public function procedures(Instrument $unit): array
    {
        return [AcousticProcedure::withFurtherTones()];
    }

    public function bench(): BenchGuide
    {
        return new AcousticBench(true);
    }

    public function rules(): array
    {
        return [
            ...NoiseRules::all(),
            new Rule\BackgroundNear(),
            new Rule\BandsMissing(),
            new Rule\BandsWeighted(),
            new Rule\StatisticOther(),
            new Rule\BelowRange(),
            new Rule\CompensationOff(),
            new Rule\StartUnmatched(),
            new Rule\IntegrationShort(),
            new Rule\SampleShort(),
            new Rule\SamplesFew(),
            new Rule\StartOfDayOnly(),
        ];
    }

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults
    {
        return (new MeterWorkings($run, $bracket, $timeline, $policy, $yardsticks))->results();
    }

    public function composes(Run $run): bool
    {
        return TaskExposure::record($run) !== null;
    }

    public function compose(Assessment $own, array $shift, Policy $policy, Yardsticks $yardsticks): array
    {
        return (new TaskExposure($own, $shift, $yardsticks))->results();
    }

    public function staysInPlace(Run $run): bool
    {
        return MeterRun::record($run)?->measures === Measures::Room;
    }
}
