<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\Unsettled;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What could not be stood up for, and what somebody has settled. */
final class UnsettledTest extends TestCase
{
    private const TIME = 'any time';
    private const NEXT = 'before the instrument is adjusted';

    /** @return iterable<string, array{list<Verdict>, bool|null, list<string>, Unsettled|null}> */
    public static function runs(): iterable
    {
        [$valid, $corrected, $qualified, $open, $void] = Verdict::cases();
        yield 'valid and not signed' => [[$valid], null, [], null];
        yield 'corrected: the number is the right one' => [[$corrected], null, [self::TIME], null];
        yield 'signed' => [[$valid], true, [], null];
        yield 'signed, and the evidence says otherwise now, however good that is' => [[$valid], false, [], Unsettled::SaysOtherwise];
        yield 'signed, and open now' => [[$open], false, [self::NEXT], Unsettled::SaysOtherwise];
        yield 'open, and a check still closes it' => [[$open], null, [self::TIME, self::NEXT], Unsettled::Pressing];
        yield 'waits for the laboratory' => [[$open], null, ['when it comes'], Unsettled::Curable];
        yield 'open, and nobody knows how' => [[$open], null, [], Unsettled::Lost];
        yield 'what stands was signed, and the rest is open' => [[$qualified, $open], true, [self::NEXT], Unsettled::Pressing];
        yield 'qualified, and nothing lifts it' => [[$qualified], null, [], Unsettled::Qualified];
        yield 'qualified, and a weighed filter would lift it' => [[$qualified], null, [self::TIME], Unsettled::Curable];
        yield 'signed as qualified' => [[$qualified], true, [self::TIME], null];
        yield 'void' => [[$void], null, [], Unsettled::Lost];
        yield 'voided by a person' => [[$void], true, [], null];
        // The run stands by its other channels; this one does not.
        yield 'one void channel of a valid run' => [[$valid, $void], null, [], Unsettled::Lost];
        yield 'one void channel beside a qualified one' => [[$qualified, $void], null, [], Unsettled::Lost];
        yield 'a void channel, signed with the others' => [[$valid, $void], true, [], null];
    }

    /**
     * @param list<Verdict> $parts
     * @param list<string>  $until of each cure
     */
    #[DataProvider('runs')]
    public function testWhyARunCouldNotBeStoodUpFor(array $parts, ?bool $isCurrent, array $until, ?Unsettled $expected): void
    {
        $cures = array_map(static fn (string $one): Cure => new Cure('something', $one, CuredAt::Run), $until);
        self::assertSame($expected, Unsettled::of($parts, $isCurrent, $cures));
        self::assertSame($expected, Unsettled::of(array_reverse($parts), $isCurrent, array_reverse($cures)));
    }
}
