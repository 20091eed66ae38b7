<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\App\Record\AssessCommand;
use Footnote\Core\Families;
use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Arrows point down: the core knows no one, and its parts know only what lies below them. Checked by static analysis. */
final class Layers
{
    public function testTheCoreKnowsNoOne(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Footnote\Core'))
            ->canOnlyDependOn()
            ->classes(Selector::inNamespace('Footnote\Core'), Selector::inNamespace('Brick\Math'), Selector::isStandardClass())
            ->because('the job\'s rules and sums use no framework and no storage');
    }

    public function testQuantitiesAndDerivationsKnowNoTrade(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Footnote\Core\Quantity'), Selector::inNamespace('Footnote\Core\Derivation'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Footnote\Core\Evidence'),
                Selector::inNamespace('Footnote\Core\Judgement'),
                Selector::inNamespace('Footnote\Core\Noise'),
                Selector::inNamespace('Footnote\Core\Flow'),
                Selector::inNamespace('Footnote\Core\Gas'),
                Selector::inNamespace('Footnote\Core\Particle'),
                Selector::inNamespace('Footnote\Core\Record'),
            )
            ->because('numbers are the lowest layer');
    }

    public function testEvidenceKnowsNoJudgement(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::inNamespace('Footnote\Core\Evidence'),
                Selector::inNamespace('Footnote\Core\Response'),
                Selector::inNamespace('Footnote\Core\Procedure'),
            )
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Footnote\Core\Judgement'),
                Selector::inNamespace('Footnote\Core\Noise'),
                Selector::inNamespace('Footnote\Core\Flow'),
                Selector::inNamespace('Footnote\Core\Gas'),
                Selector::inNamespace('Footnote\Core\Particle'),
                Selector::inNamespace('Footnote\Core\Record'),
            )
            ->because('what was seen does not depend on what is made of it');
    }

    public function testJudgementKnowsFamiliesByTheirInterfaceOnly(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Footnote\Core\Judgement'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Footnote\Core\Noise'),
                Selector::inNamespace('Footnote\Core\Flow'),
                Selector::inNamespace('Footnote\Core\Gas'),
                Selector::inNamespace('Footnote\Core\Particle'),
                Selector::inNamespace('Footnote\Core\Record'),
            )
            ->because('a new family touches no rule that all families share');
    }

    public function testTheFormatKnowsNoFamily(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::inNamespace('Footnote\Core\Record'),
                Selector::inNamespace('Footnote\Core\Log'),
                Selector::inNamespace('Footnote\Core\Air'),
            )
            ->shouldNotDependOn()
            ->classes(
                Selector::classname(Families::class),
                Selector::inNamespace('Footnote\Core\Noise'),
                Selector::inNamespace('Footnote\Core\Flow'),
                Selector::inNamespace('Footnote\Core\Gas'),
                Selector::inNamespace('Footnote\Core\Particle'),
            )
            ->because('families are handed in from the entrance');
    }

    public function testOnlyEntrancesAskForTheFamilies(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Footnote\App'))
            ->excluding(Selector::classname(AssessCommand::class))
            ->shouldNotDependOn()
            ->classes(Selector::classname(Families::class))
            ->because('the container hands in what it makes of them; the console that needs no container makes it itself');
    }

    public function testNoiseKnowsNoOtherFamily(): Rule
    {
        return self::knowsNone('Noise', 'Flow', 'Gas', 'Particle');
    }

    public function testFlowKnowsNoOtherFamily(): Rule
    {
        return self::knowsNone('Flow', 'Noise', 'Gas', 'Particle');
    }

    public function testGasKnowsNoOtherFamily(): Rule
    {
        return self::knowsNone('Gas', 'Noise', 'Flow', 'Particle');
    }

    public function testParticleKnowsNoOtherFamily(): Rule
    {
        return self::knowsNone('Particle', 'Noise', 'Flow', 'Gas');
    }

    private static function knowsNone(string $family, string ...$others): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Footnote\Core\\'.$family))
            ->shouldNotDependOn()
            ->classes(...array_map(static fn (string $other) => Selector::inNamespace('Footnote\Core\\'.$other), array_values($others)))
            ->because('adding a family touches no other');
    }
}
