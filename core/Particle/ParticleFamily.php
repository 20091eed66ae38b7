<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Topic;
use Footnote\Core\Judgement\Yardsticks;

/** Particle counters and photometric dust monitors: a flow, a background, sizes, and counts in time. */
final readonly class ParticleFamily implements Family
{
    public const ID = 'particle-counter';

    public function id(): string
    {
        return self::ID;
    }

    public function title(): string
    {
        return 'particle counter or dust monitor';
    }

    public function usability(?Policy $policy = null): Usability
    {
        return new ParticleUsability();
    }

    public function bracketRestsOn(): string
    {
        return 'flow';
    }

    public function topic(): Topic
    {
        return new Topic(['particle' => 'Particle counters and dust monitors'], 'counting', 'Particles are reported');
    }

    public function procedures(Instrument $unit): array
    {
        return ParticleProcedures::of($unit);
    }

    public function bench(): BenchGuide
    {
        return new ParticleBench();
    }

    public function rules(): array
    {
        return [
            new Rule\FlowChange(),
            new Rule\FlowOffNominal(),
            new Rule\Background(),
            new Rule\BackgroundMissing(),
            new Rule\Cell(),
            new Rule\Laser(),
            new Rule\SizeSetting(),
            new Rule\Recovery(),
            new Rule\PeriodShort(),
            new Rule\CoincidenceHigh(),
            new Rule\Unweighed(),
            new Rule\FactorBorrowed(),
            new Rule\Gap(),
            new Rule\Rezeroed(),
        ];
    }

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults
    {
        return (new ParticleWorkings($run, $bracket, $timeline, $policy, $yardsticks))->results();
    }
}
