<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Flow\Standard\DirectReading;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\Standard\Range;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Quantity\UnitsDoNotMatch;
use Footnote\Core\Response\FlowKnot;
use Footnote\Core\Response\FlowLine;
use PHPUnit\Framework\TestCase;

/** What must hold whatever the numbers are. */
final class FlowPropertyTest extends TestCase
{
    protected function setUp(): void
    {
        mt_srand(20260302);
    }

    /** Actual to standard and back is the identity, exactly, in every unit that can be written. */
    public function testActualToStandardAndBack(): void
    {
        for ($i = 0; $i < 200; ++$i) {
            $field = self::air();
            $stated = self::air();
            $flow = Decimal::parse(number_format(mt_rand(1, 50000) / 1000, 3, '.', ''));
            $standard = $flow->value
                ->times($field->kilopascal())
                ->dividedBy($stated->kilopascal())
                ->times($stated->kelvin())
                ->dividedBy($field->kelvin());
            // A meter that shows this standard flow draws the flow we began with.
            $back = $standard
                ->times($stated->kilopascal())
                ->dividedBy($field->kilopascal())
                ->times($field->kelvin())
                ->dividedBy($stated->kelvin());
            self::assertSame(0, $back->compareTo($flow->value));
            $meter = new DirectReading('S', new Range(null, null, 'it'), CommonUnit::LitrePerMinute, $stated);
            $read = Decimal::parse($standard->rounded(9));
            $told = $meter->flow(new FlowRow(Provenance::Typed, $read), $field, new Origin('check', 'k', ''))->toFloat();
            self::assertEqualsWithDelta($flow->value->toFloat(), $told, 1e-6);
            $conditions = new ReferenceConditions('x', 'x', $stated, 's', \Footnote\Core\Derivation\SourceMark::Own);
            self::assertEqualsWithDelta($standard->toFloat(), $flow->value->times($conditions->factor($field))->toFloat(), 1e-9);
        }
    }

    /** Splitting a run at any moment draws the same volume, exactly. */
    public function testSplittingARunDrawsTheSame(): void
    {
        for ($i = 0; $i < 60; ++$i) {
            $line = self::line(mt_rand(1, 5));
            $from = new \DateTimeImmutable('2026-03-02T08:00:00+00:00');
            $to = $from->modify('+'.mt_rand(600, 40000).' seconds');
            $cut = $from->modify('+'.mt_rand(1, 599).' seconds');
            $whole = $line->volume([new Span($from, $to)]);
            $parts = $line->volume([new Span($from, $cut), new Span($cut, $to)]);
            self::assertInstanceOf(Exact::class, $whole);
            self::assertInstanceOf(Exact::class, $parts);
            self::assertSame(0, $whole->compareTo($parts));
        }
    }

    /** The volume along the bracket lies between those of its smallest and its largest flow. */
    public function testVolumeLiesWithinItsEnds(): void
    {
        for ($i = 0; $i < 60; ++$i) {
            $line = self::line(mt_rand(2, 5));
            $span = new Span(new \DateTimeImmutable('2026-03-02T07:00:00+00:00'), new \DateTimeImmutable('2026-03-02T19:00:00+00:00'));
            $flows = array_map(static fn (FlowKnot $knot): float => $knot->flow->toFloat(), $line->knots);
            $volume = $line->volume([$span]);
            $mean = ($volume instanceof Exact ? $volume->toFloat() : $volume) / 720;
            self::assertGreaterThanOrEqual(min($flows) - 1e-9, $mean);
            self::assertLessThanOrEqual(max($flows) + 1e-9, $mean);
        }
    }

    /** The order in which replicates were read does not matter; one that was struck out does not count. */
    public function testOrderOfReplicatesDoesNotMatter(): void
    {
        $full = static fn (array $rows): string => (new AirScene())
            ->check('k1', '07:50', ['2.0'], [], [], ['asFound' => $rows])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:10', ['2.0'])
            ->result('r', 'volume')->answers->pre?->full() ?? '';
        $row = static fn (string $value): array => ['value' => $value, 'provenance' => 'typed'];
        $rows = array_map($row, ['2.009', '2.011', '2.015', '1.998']);
        $first = $full($rows);
        for ($i = 0; $i < 8; ++$i) {
            shuffle($rows);
            self::assertSame($first, $full($rows));
        }
        self::assertSame($first, $full([...$rows, [...$row('3.1'), 'struck' => 'the film broke']]));
    }

    /** The order of the samples in a record does not matter to the shift they make. */
    public function testOrderOfSamplesDoesNotMatter(): void
    {
        $twa = static function (string ...$order): string {
            $scene = (new AirScene(''))->check('k1', '07:50', ['2.0']);
            $runs = ['a' => ['08:00', '10:00', '240'], 'b' => ['10:00', '13:00', '100'], 'c' => ['13:00', '16:00', '720']];
            foreach ($order as $id) {
                $scene->run($id, $runs[$id][0], $runs[$id][1], ['method' => null])->found($id, $runs[$id][2]);
            }

            return $scene->check('k2', '16:10', ['2.0'])->result('b', 'twa:wood')->answers->between?->full() ?? '';
        };
        self::assertSame($twa('a', 'b', 'c'), $twa('c', 'a', 'b'));
        self::assertSame($twa('a', 'b', 'c'), $twa('b', 'c', 'a'));
    }

    /** Units there and back are the identity, exactly; units of different things, and levels, do not convert. */
    public function testUnitsThereAndBack(): void
    {
        $units = self::units();
        self::assertGreaterThan(40, \count($units));
        foreach ($units as $from) {
            self::assertSame($from->base(), $from->base()->base(), $from->value);
            self::assertTrue($from !== $from->base() || $from->size()->compareTo(Exact::of(1)) === 0, $from->value);
            foreach ($units as $to) {
                $value = Exact::of(mt_rand(1, 100000))->dividedBy(1000);
                try {
                    self::assertSame(0, $to->convert($from->convert($value, $to), $from)->compareTo($value));
                    self::assertSame($from->base(), $to->base());
                } catch (UnitsDoNotMatch) {
                    self::assertTrue($from->base() !== $to->base() || $from->isLevel());
                }
            }
        }
    }

    /**
     * A symbol names one unit, whoever brings it.
     *
     * @return list<Unit> of every room
     */
    private static function units(): array
    {
        $units = [];
        $files = glob(\dirname(__DIR__, 2).'/core/*/*Unit.php');
        foreach ($files === false ? [] : $files as $file) {
            $class = 'Footnote\\Core\\'.basename(\dirname($file)).'\\'.basename($file, '.php');
            if (!enum_exists($class) || !is_a($class, Unit::class, true)) {
                continue;
            }
            foreach ($class::cases() as $unit) {
                self::assertArrayNotHasKey($unit->value, $units);
                $units[$unit->value] = $unit;
            }
        }

        return array_values($units);
    }

    private static function air(): Air
    {
        $temperature = [[CommonUnit::Celsius, mt_rand(-100, 400) / 10], [CommonUnit::Fahrenheit, mt_rand(200, 1000) / 10]][mt_rand(0, 1)];
        $pressure = [
            [CommonUnit::Kilopascal, mt_rand(800, 1050) / 10],
            [CommonUnit::MillimetreMercury, mt_rand(6000, 7800) / 10],
            [CommonUnit::InchMercury, mt_rand(2500, 3100) / 100],
            [CommonUnit::Hectopascal, mt_rand(8000, 10500) / 10],
        ][mt_rand(0, 3)];

        return new Air(
            new Measured(Decimal::parse(number_format($temperature[1], 1, '.', '')), $temperature[0]),
            new Measured(Decimal::parse(number_format($pressure[1], 2, '.', '')), $pressure[0]),
        );
    }

    /** @param int<1, max> $knots */
    private static function line(int $knots): FlowLine
    {
        $at = new \DateTimeImmutable('2026-03-02T08:00:00+00:00');
        $list = [];
        for ($i = 0; $i < $knots; ++$i) {
            $list[] = new FlowKnot(
                $at,
                Figure::read(
                    'Q',
                    'flow',
                    Exact::of(mt_rand(1500, 2500))->dividedBy(1000),
                    CommonUnit::LitrePerMinute,
                    new Origin('check', 'k'.$i, ''),
                ),
                'k'.$i,
                $i === 0,
            );
            $at = $at->modify('+'.mt_rand(0, 9000).' seconds');
        }

        \assert($list !== []);

        return new FlowLine($list);
    }
}
