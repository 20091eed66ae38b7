<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The offset along a bracket, and the mean factor of N-10 against plain numerical integration. */
final class OffsetLineTest extends TestCase
{
    /** @param list<array{string, string, bool}> $knots time, offset, whether as left */
    private static function line(array $knots): OffsetLine
    {
        $made = array_map(static fn (array $knot): OffsetKnot => new OffsetKnot(
            self::at($knot[0]),
            Figure::read('ε', 'offset', Exact::of($knot[1]), LevelUnit::Decibel, new Origin('check', 'k', '')),
            'k',
            $knot[2],
        ), $knots);
        self::assertNotEmpty($made);

        return new OffsetLine($made);
    }

    private static function at(string $time): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-02T'.$time.':00+00:00');
    }

    #[TestWith(['07:00', 0.0])]
    #[TestWith(['08:00', 0.0])]
    #[TestWith(['10:00', 0.2])]
    #[TestWith(['12:00', 0.4])]
    #[TestWith(['18:00', 0.4])]
    public function testStraightBetweenKnotsAndConstantOutside(string $time, float $offset): void
    {
        self::assertEqualsWithDelta($offset, self::line([['08:00', '0', true], ['12:00', '0.4', false]])->at(self::at($time)), 1e-12);
    }

    public function testACheckThatAdjustsIsAStep(): void
    {
        $line = self::line([['08:00', '0', true], ['12:00', '0.4', false], ['12:00', '0', true], ['16:00', '-0.2', false]]);
        self::assertEqualsWithDelta(0.3, $line->at(self::at('11:00')), 1e-12);
        self::assertEqualsWithDelta(0.0, $line->at(self::at('12:00')), 1e-12);
        self::assertEqualsWithDelta(-0.1, $line->at(self::at('14:00')), 1e-12);
        self::assertCount(2, $line->pieces());
        self::assertFalse($line->isConstant());
        self::assertTrue(self::line([['08:00', '0.1', true], ['16:00', '0.10', false]])->isConstant());
    }

    public function testMeanFactorAgreesWithNumericalIntegration(): void
    {
        mt_srand(3);
        for ($round = 0; $round < 8; ++$round) {
            $offset = static fn (): string => number_format(mt_rand(-20, 20) / 10, 1, '.', '');
            $line = self::line([
                ['08:00', $offset(), true],
                ['10:30', $offset(), false],
                ['10:30', $offset(), true],
                ['16:00', $offset(), false],
            ]);
            foreach ([log(10) / 10, log(2) / 5, log(2) / 3] as $k) {
                $span = new Span(self::at(sprintf('%02d:15', mt_rand(7, 11))), self::at(sprintf('%02d:45', mt_rand(12, 17))));
                $steps = 2000;
                $sum = 0.0;
                for ($i = 0; $i < $steps; ++$i) {
                    $sum += exp(-$k * $line->at(Span::shift($span->from, $span->seconds() * ($i + 0.5) / $steps)));
                }
                self::assertEqualsWithDelta($sum / $steps, $line->meanFactor($k, [$span]), 2e-4);
            }
        }
    }

    /** N-10 as it is printed: D_ind·q/(ln 2·(o₂ − o₁))·(2^(−o₁/q) − 2^(−o₂/q)). */
    public function testMeanFactorIsThePrintedEquation(): void
    {
        $line = self::line([['08:00', '-0.3', true], ['16:00', '0.5', false]]);
        foreach ([3.0, 5.0] as $q) {
            $printed = $q / (log(2) * 0.8) * (2 ** (0.3 / $q) - 2 ** (-0.5 / $q));
            self::assertEqualsWithDelta($printed, $line->meanFactor(log(2) / $q, [new Span(self::at('08:00'), self::at('16:00'))]), 1e-12);
        }
    }
}
