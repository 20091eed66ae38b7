<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Brick\Math\BigRational;
use Brick\Math\Exception\RoundingNecessaryException;
use Brick\Math\RoundingMode;
use Footnote\Core\Quantity\Exact;
use PHPUnit\Framework\TestCase;

/**
 * Exact numbers against fractions of any length: chains of random operations, through and beyond what fits a machine
 * integer, must say the same at every step.
 */
final class ExactTest extends TestCase
{
    private const CHAINS = 120;
    private const STEPS = 14;

    public function testSaysWhatFractionsOfAnyLengthSay(): void
    {
        mt_srand(20261125);
        for ($chain = 0; $chain < self::CHAINS; ++$chain) {
            $written = self::number();
            $ours = Exact::of($written);
            $theirs = BigRational::of($written);
            $story = $written;
            for ($step = 0; $step < self::STEPS; ++$step) {
                $next = self::number();
                $mine = Exact::of($next);
                $other = BigRational::of($next);
                $operation = $mine->isZero() ? '+' : ['+', '-', '*', '/'][mt_rand(0, 3)];
                $story .= " $operation $next";
                self::assertSame($theirs->compareTo($other), $ours->compareTo($mine), $story);
                [$ours, $theirs] = match ($operation) {
                    '+' => [$ours->plus($mine), $theirs->plus($other)],
                    '-' => [$ours->minus($mine), $theirs->minus($other)],
                    '*' => [$ours->times($mine), $theirs->multipliedBy($other)],
                    '/' => [$ours->dividedBy($mine), $theirs->dividedBy($other)],
                };
                self::assertSameNumber($theirs, $ours, $story);
            }
        }
    }

    public function testHoldsTheLargestAndSmallestMachineIntegers(): void
    {
        foreach ([\PHP_INT_MAX, \PHP_INT_MIN] as $edge) {
            $exact = Exact::of($edge);
            self::assertSame((string) $edge, (string) $exact);
            self::assertSame((string) BigRational::of($edge)->negated(), (string) $exact->negated());
            self::assertSame((string) BigRational::of($edge)->abs(), (string) $exact->absolute());
            self::assertSame(0, $exact->plus(Exact::of(1))->minus($exact)->compareTo(Exact::of(1)));
            self::assertSame(0, $exact->times($exact)->dividedBy($exact)->compareTo($exact));
        }
    }

    private static function assertSameNumber(BigRational $theirs, Exact $ours, string $story): void
    {
        self::assertSame(self::written($theirs), (string) $ours, $story);
        foreach ([0, 1, 3, 12] as $decimals) {
            self::assertSame((string) $theirs->toScale($decimals, RoundingMode::HalfUp), $ours->rounded($decimals), $story);
        }
        self::assertSame($theirs->toFloat(), $ours->toFloat(), $story);
        self::assertSame($theirs->isZero(), $ours->isZero(), $story);
        self::assertSame(self::written($theirs->abs()), (string) $ours->absolute(), $story);
    }

    private static function written(BigRational $number): string
    {
        try {
            return (string) $number->toBigDecimal()->strippedOfTrailingZeros();
        } catch (RoundingNecessaryException) {
            return (string) $number->toScale(12, RoundingMode::HalfUp)->strippedOfTrailingZeros();
        }
    }

    /** A number as it may be written: short or long, with and without decimals, of either sign. */
    private static function number(): string
    {
        $digits = '';
        for ($count = mt_rand(1, mt_rand(1, 20)); $count > 0; --$count) {
            $digits .= mt_rand(0, 9);
        }
        $point = mt_rand(0, \strlen($digits));
        $whole = substr($digits, 0, $point);

        $sign = mt_rand(0, 1) === 1 ? '-' : '';

        return $sign.($whole === '' ? '0' : $whole).($point < \strlen($digits) ? '.'.substr($digits, $point) : '');
    }
}
