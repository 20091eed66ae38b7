<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\SpanEndsBeforeItStarts;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Stretches of time against a plain row of minutes, and moments that are moved across a change of the clock. */
final class SpanTest extends TestCase
{
    private const LONG = 600;

    private static function at(int $minute): \DateTimeImmutable
    {
        $start = new \DateTimeImmutable('2026-03-29T00:00:00+00:00');

        return $start->modify("+$minute minutes")->setTimezone(new \DateTimeZone('Europe/London'));
    }

    private static function span(int $from, int $to): Span
    {
        return new Span(self::at($from), self::at($to));
    }

    /**
     * @param list<Span> $spans
     *
     * @return list<bool> by minute, whether one of them covers it
     */
    private static function minutes(array $spans): array
    {
        return array_map(
            static fn (int $minute): bool => array_filter(
                $spans,
                static fn (Span $span): bool => $span->from <= self::at($minute) && self::at($minute) < $span->to,
            ) !== [],
            range(0, self::LONG - 1),
        );
    }

    /** @return list<Span> */
    private static function random(): array
    {
        $spans = [];
        for ($i = mt_rand(0, 6); $i > 0; --$i) {
            $from = mt_rand(0, self::LONG - 2);
            $spans[] = self::span($from, min(self::LONG, $from + mt_rand(1, 200)));
        }

        return $spans;
    }

    public function testUnitedWithoutAndWithinAreThoseOfPlainMinutes(): void
    {
        mt_srand(29);
        for ($round = 0; $round < 60; ++$round) {
            $some = self::random();
            $whole = self::span(mt_rand(0, 100), mt_rand(300, self::LONG));
            $united = Span::united($some);
            self::assertSame(self::minutes($some), self::minutes($united));
            foreach ($united as $place => $span) {
                self::assertTrue($place === 0 || $united[$place - 1]->to < $span->from, 'apart and in order');
            }
            $left = $whole->without($some);
            $expected = array_map(
                static fn (bool $in, bool $out): bool => $in && !$out,
                self::minutes([$whole]),
                self::minutes($some),
            );
            self::assertSame($expected, self::minutes($left));
            $seconds = array_sum(array_map(static fn (Span $span): float => $span->seconds(), $left));
            self::assertSame(60.0 * \count(array_filter($expected)), (float) $seconds, 'pauses count once, and only within the run');
            foreach ($some as $span) {
                $within = $span->within($whole);
                self::assertSame($span->overlaps($whole), $within !== null);
                self::assertSame(
                    array_map(static fn (bool $a, bool $b): bool => $a && $b, self::minutes([$span]), self::minutes([$whole])),
                    self::minutes($within === null ? [] : [$within]),
                );
            }
        }
    }

    /** Order changes nothing, and what was taken out twice is out once. */
    public function testTheOrderOfPausesDoesNotMatter(): void
    {
        mt_srand(31);
        for ($round = 0; $round < 40; ++$round) {
            $some = self::random();
            $whole = self::span(0, self::LONG);
            $plain = self::minutes($whole->without($some));
            shuffle($some);
            self::assertSame($plain, self::minutes($whole->without([...$some, ...$some])));
        }
    }

    /** @return iterable<string, array{string, string, float, string}> zone, moment, seconds, moment then (in UTC) */
    public static function moves(): iterable
    {
        yield 'over the lost hour' => ['Europe/London', '2026-03-29T00:30:00+00:00', 3600.0, '2026-03-29T01:30:00.000000'];
        yield 'back over it' => ['Europe/London', '2026-03-29T01:30:00+00:00', -3600.0, '2026-03-29T00:30:00.000000'];
        yield 'over the hour that comes twice' => ['Europe/London', '2026-10-25T00:30:00+00:00', 3600.0, '2026-10-25T01:30:00.000000'];
        yield 'half an hour of clock' => ['Australia/Lord_Howe', '2026-04-04T14:45:00+00:00', 1800.0, '2026-04-04T15:15:00.000000'];
        yield 'microseconds' => ['America/New_York', '2026-11-01T05:59:59.999999+00:00', 0.000002, '2026-11-01T06:00:00.000001'];
        yield 'a month of seconds' => ['America/New_York', '2026-10-20T00:00:00+00:00', 2592000.5, '2026-11-19T00:00:00.500000'];
        yield 'less than nothing, by a part of a second' => ['UTC', '2026-03-02T00:00:00+00:00', -0.25, '2026-03-01T23:59:59.750000'];
    }

    #[DataProvider('moves')]
    public function testMomentsMoveBySecondsThatPass(string $zone, string $moment, float $seconds, string $then): void
    {
        $start = (new \DateTimeImmutable($moment))->setTimezone(new \DateTimeZone($zone));
        $moved = Span::shift($start, $seconds);
        self::assertSame($then, $moved->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.u'));
        self::assertSame($zone, $moved->getTimezone()->getName(), 'told where it was told before');
        self::assertEqualsWithDelta($seconds, Span::secondsBetween($start, $moved), 1e-6);
        self::assertEqualsWithDelta(0.0, Span::secondsBetween($start, Span::shift($moved, -$seconds)), 1e-6, 'and back');
    }

    public function testASpanNeverEndsBeforeItStarts(): void
    {
        self::assertSame(0.0, self::span(5, 5)->seconds());
        $this->expectException(SpanEndsBeforeItStarts::class);
        self::span(6, 5);
    }

    #[TestWith([0.0, '0 s'])]
    #[TestWith([59.6, '1 min'])]
    #[TestWith([86460.0, '24 h 1 min'])]
    #[TestWith([55080.0, '15 h 18 min'])]
    #[TestWith([3661.0, '1 h 1 min 1 s'])]
    #[TestWith([86400.0, '24 h'])]
    public function testALengthIsToldAsPeopleSayIt(float $seconds, string $said): void
    {
        self::assertSame($said, Span::told($seconds));
    }
}
