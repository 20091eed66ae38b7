<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\SharedTrend;
use Footnote\Core\Judgement\ShiftScale;
use Footnote\Core\Noise\LevelUnit;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What units share on a reference: a row in which they move alike points at it, one that moves alone does not. */
final class SharedTrendTest extends TestCase
{
    use PrintedByOthers;

    private static function scale(): ShiftScale
    {
        return new ShiftScale(0.15, 0.2, LevelUnit::Decibel);
    }

    /** @return list<array{string, array<string, float>}> rows of five units, in tenths of a dB */
    private static function random(int $seed, int $rows): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $made = [];
        for ($row = 0; $row < $rows; ++$row) {
            $drifts = [];
            foreach (['A', 'B', 'C', 'D', 'E'] as $unit) {
                $drifts[$unit] = $random->getInt(-20, 20) / 100;
            }
            $made[] = ['row '.$row, $drifts];
        }

        return $made;
    }

    /** Medians and limits by another program. */
    public function testAgainstR(): void
    {
        $rows = self::random(7, 12);
        $trend = SharedTrend::of($rows, self::scale());
        $told = implode(',', array_map(static fn (array $row): string => 'c('.implode(',', $row[1]).')', $rows));
        $r = $this->numbersOfR("m<-sapply(list($told),median);s<-mean(abs(diff(m)))/1.128;"
            .'cat(sprintf("%.15g\n",c(m,mean(m),mean(m)-3*s,mean(m)+3*s)),sep="")');
        self::assertEqualsWithDelta(\array_slice($r, 0, 12), array_column($trend->rows, 'shared'), 1e-12);
        self::assertNotNull($trend->chart);
        self::assertEqualsWithDelta(\array_slice($r, 12), [$trend->chart->centre, $trend->chart->lower(), $trend->chart->upper()], 1e-12);
    }

    /** An offset of the reference goes wholly into what is shared; the order of the units says nothing. */
    public function testAnOffsetIsShared(): void
    {
        $rows = self::random(11, 9);
        $off = array_map(static fn (array $row): array => [
            $row[0],
            array_reverse(array_map(static fn (float $drift): float => $drift + 0.5, $row[1]), true),
        ], $rows);
        $was = SharedTrend::of($rows, self::scale());
        $is = SharedTrend::of($off, self::scale());
        $moved = array_map(static fn (float $shared): float => $shared + 0.5, array_column($was->rows, 'shared'));
        self::assertEqualsWithDelta($moved, array_column($is->rows, 'shared'), 1e-12);
        self::assertSame(array_slice($was->words, -1), array_slice($is->words, -1), 'what is each one\'s own stays');
    }

    public function testAReferenceThatMovedIsNamed(): void
    {
        $quiet = ['A' => 0.0, 'B' => 0.1, 'C' => 0.0, 'D' => -0.1];
        $rows = array_map(static fn (int $row): array => ['row '.$row, $quiet], range(1, 8));
        $moved = SharedTrend::of([...$rows, ['2026-03-02 morning', ['A' => 0.4, 'B' => 0.5, 'C' => 0.4, 'D' => 0.3]]], self::scale());
        self::assertSame([8], array_keys(array_column($moved->rows, 'together'), true, true));
        self::assertStringStartsWith('In 9 rows units moved alike by +0.04 dB on average', $moved->words[0]);
        $said = '2026-03-02 morning: 4 of 4 units moved alike by +0.40 dB; it is the reference, rather than they.';
        self::assertSame($said, $moved->words[1]);
        self::assertSame('Each one\'s own on average: A 0.00 dB, B +0.10 dB, C 0.00 dB, D −0.10 dB.', $moved->words[2]);

        // One unit that jumps alone is no word on the reference.
        $alone = SharedTrend::of([...$rows, ['2026-03-02 morning', ['A' => 0.9, 'B' => 0.1, 'C' => 0.0, 'D' => -0.1]]], self::scale());
        self::assertNotContains(true, array_column($alone->rows, 'together'));
        self::assertStringNotContainsString('rather than they', implode(' ', $alone->words));
        // Two that move alike are no row: nothing is said, and nothing is made of it later.
        self::assertSame([], SharedTrend::of([['row', ['A' => 0.5, 'B' => 0.5]]], self::scale())->words);
        self::assertStringContainsString('so far there is 1', SharedTrend::of([$rows[0]], self::scale())->words[0]);
    }
}
