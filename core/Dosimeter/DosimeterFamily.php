<?php

declare(strict_types=1);

namespace Footnote\Core\Dosimeter;

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
use Footnote\Core\Judgement\Topic;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Noise\AcousticBench;
use Footnote\Core\Noise\AcousticProcedure;
use Footnote\Core\Noise\AcousticUsability;
use Footnote\Core\Noise\NoiseRules;
use Footnote\Core\Noise\NoiseWorkings;
use Footnote\Core\Noise\Sound;

/** Noise dosimeters: an offset in dB, an acoustic calibrator, levels and doses. */
final readonly class DosimeterFamily implements Family, Composing
{
    public function id(): string
    {
        return 'noise-dosimeter';
    }

    public function usability(?Policy $policy = null): Usability
    {
        return new AcousticUsability();
    }

    public function bracketRestsOn(): string
    {
        return 'offset';
    }

    public function title(): string
    {
        return 'noise dosimeter';
    }

    public function topic(): Topic
    {
        return NoiseRules::topic();
    }

    public function procedures(Instrument $unit): array
    {
        return [AcousticProcedure::steps()];
    }

    public function bench(): BenchGuide
    {
        return new AcousticBench();
    }

    public function rules(): array
    {
        return NoiseRules::all();
    }

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults
    {
        $delay = Sound::heard($run)?->written?->decimal('setDelay');

        return (new NoiseWorkings($run, $bracket, $timeline, $policy, $yardsticks, true, $delay?->value->toFloat() ?? 0.0))->results();
    }

    public function composes(Run $run): bool
    {
        return $run->timing->stop !== null;
    }

    public function compose(Assessment $own, array $shift, Policy $policy, Yardsticks $yardsticks): array
    {
        return (new DayExposure($own, $shift, $policy, $yardsticks))->results();
    }
}
