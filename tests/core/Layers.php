<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\App\Console\AssessCommand;
use Footnote\Core\Families;
use PHPat\Selector\Selector;
use PHPat\Selector\SelectorInterface;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/**
 * Arrows point down: the core knows no one, and its parts know only what lies below them. Checked by static analysis. The
 * families are those that the registry lists; their rooms are told from where their classes stand.
 */
final class Layers
{
    /** Of several families, which they stand on. */
    private const SHARED = ['Noise'];

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
            ->classes(self::room('Quantity'), self::room('Derivation'))
            ->shouldNotDependOn()
            ->classes(self::room('Evidence'), self::room('Judgement'), self::room('Record'), ...self::rooms())
            ->because('numbers are the lowest layer');
    }

    public function testEvidenceKnowsNoJudgement(): Rule
    {
        return PHPat::rule()
            ->classes(self::room('Evidence'), self::room('Response'), self::room('Procedure'))
            ->shouldNotDependOn()
            ->classes(self::room('Judgement'), self::room('Record'), ...self::rooms())
            ->because('what was seen does not depend on what is made of it');
    }

    public function testJudgementKnowsFamiliesByTheirInterfaceOnly(): Rule
    {
        return PHPat::rule()
            ->classes(self::room('Judgement'))
            ->shouldNotDependOn()
            ->classes(self::room('Record'), ...self::rooms())
            ->because('a new family touches no rule that all families share');
    }

    public function testTheFormatKnowsNoFamily(): Rule
    {
        return PHPat::rule()
            ->classes(self::room('Record'), self::room('Log'), self::room('Air'))
            ->shouldNotDependOn()
            ->classes(Selector::classname(Families::class), ...self::rooms())
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

    /** @return iterable<Rule> */
    public function testFamiliesKnowNoOther(): iterable
    {
        foreach (self::families() as $family) {
            $others = array_values(array_diff(self::families(), [$family]));
            if ($others !== []) {
                yield PHPat::rule()
                    ->classes(self::room($family))
                    ->shouldNotDependOn()
                    ->classes(...array_map(self::room(...), $others))
                    ->because('adding a family touches no other');
            }
        }
    }

    public function testWhatFamiliesShareKnowsNone(): Rule
    {
        return PHPat::rule()
            ->classes(...array_map(self::room(...), self::SHARED))
            ->shouldNotDependOn()
            ->classes(...array_map(self::room(...), self::families()))
            ->because('families stand on it, not it on them');
    }

    /** @return non-empty-list<string> the folders of the families */
    private static function families(): array
    {
        return array_map(static fn (array $one): string => explode('\\', $one[0]::class)[2], Families::all());
    }

    /** @return non-empty-list<SelectorInterface> where families stand, and what some of them share */
    private static function rooms(): array
    {
        return array_map(self::room(...), [...self::families(), ...self::SHARED]);
    }

    private static function room(string $name): SelectorInterface
    {
        return Selector::inNamespace('Footnote\Core\\'.$name);
    }
}
