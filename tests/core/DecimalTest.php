<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Comparator;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\MalformedDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Decimals as written decide limits (check values, decimal traps). */
final class DecimalTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, bool}> from, to, limit, in percent of the first */
    public static function traps(): iterable
    {
        foreach ([['2.000', '1.900'], ['2.200', '2.090'], ['1.000', '0.950'], ['0.0500', '0.0475']] as [$from, $to]) {
            yield "$from to $to" => [$from, $to, '5', true];
        }
        yield '93.6 to 93.9' => ['93.6', '93.9', '0.3', false];
        yield '93.0 to 93.2' => ['93.0', '93.2', '0.2', false];
        yield '0.1 to 0.4' => ['0.1', '0.4', '0.3', false];
        yield '114.0 to 113.5' => ['114.0', '113.5', '0.5', false];
    }

    #[DataProvider('traps')]
    public function testExactlyOnTheLimitPassesNotMoreThanAndFailsLessThan(string $from, string $to, string $limit, bool $percent): void
    {
        $a = Decimal::parse($from)->value;
        $b = Decimal::parse($to)->value;
        $change = $b->minus($a)->absolute();
        $change = $percent ? $change->times(100)->dividedBy($a) : $change;
        self::assertTrue((new Limit('x', Decimal::parse($limit), ''))->isKeptBy($change));
        self::assertFalse((new Limit('x', Decimal::parse($limit), '', Comparator::LessThan))->isKeptBy($change));
    }

    /** Drift of exactly 0.3 dB between readings that binary floats cannot hold, through the whole judgement. */
    public function testDriftOnTheLimitPassesThroughTheRule(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['113.6'])->check('k2', '16:30', ['114.1'])->run('r', '08:00', '16:00');
        self::assertNotContains('noise.drift', Scene::rules($scene->assess('r')));
        $scene = (new Scene())->check('k1', '07:30', ['113.6'])->check('k2', '16:30', ['114.101'])->run('r', '08:00', '16:00');
        self::assertContains('noise.drift', Scene::rules($scene->assess('r')));
    }

    #[TestWith(['93,6', '93.6'])]
    #[TestWith([' 94.0 ', '94.0'])]
    #[TestWith(['−0.30', '-0.30'])]
    #[TestWith(['+.5', '0.5'])]
    #[TestWith(['114.', '114'])]
    public function testKeepsDigitsAsWritten(string $text, string $written): void
    {
        self::assertSame($written, Decimal::parse($text)->written);
    }

    #[TestWith(['1e999'])]
    #[TestWith(['1,234.5'])]
    #[TestWith(['abc'])]
    #[TestWith([''])]
    #[TestWith(['--1'])]
    #[TestWith(['NaN'])]
    #[TestWith(['1 000'])]
    #[TestWith(["1\0"])]
    #[TestWith(['99999999999999999999999999'])]
    public function testRefusesWhatIsNoPlainDecimal(string $text): void
    {
        $this->expectException(MalformedDecimal::class);
        Decimal::parse($text);
    }

    public function testMeansAreExactFractions(): void
    {
        $mean = Exact::mean([Exact::of('0.1'), Exact::of('0.2'), Exact::of('0.4')]);
        self::assertSame(0, $mean->times(30)->compareTo(Exact::of(7)));
    }
}
