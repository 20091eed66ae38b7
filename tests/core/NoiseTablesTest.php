<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Noise\DoseCriterion;
use Footnote\Core\Noise\LevelColumn;
use Footnote\Core\Noise\LevelHistogram;
use Footnote\Core\Quantity\Decimal;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Published tables and worked values of noise, each with its source. */
final class NoiseTablesTest extends TestCase
{
    public static function criterion(string $level, string $rate, ?string $threshold): DoseCriterion
    {
        return new DoseCriterion(
            $level.'/'.$rate.'/'.$threshold,
            $level.'/'.$rate.'/'.$threshold,
            Decimal::parse($level),
            Decimal::parse($rate),
            $threshold === null ? null : Decimal::parse($threshold),
            'test',
            SourceMark::Published,
        );
    }

    /** 29 CFR 1910.95 App. A, Table A-1 (published): dose in % to TWA in dB. */
    public function testTimeWeightedAverageOfTableA1(): void
    {
        $criterion = self::criterion('90', '5', '90');
        foreach ([
            10 => '73.4',
            25 => '80.0',
            50 => '85.0',
            75 => '87.9',
            100 => '90.0',
            150 => '92.9',
            200 => '95.0',
            300 => '97.9',
            400 => '100.0',
            500 => '101.6',
            800 => '105.0',
            999 => '106.6',
        ] as $dose => $twa) {
            self::assertSame($twa, number_format($criterion->timeWeightedAverage((float) $dose), 1, '.', ''), "$dose %");
        }
    }

    /** 29 CFR 1910.95 App. A, Table G-16a (published): level to hours, with the digits of the table. */
    public function testAllowedHoursOfTableG16a(): void
    {
        $criterion = self::criterion('90', '5', '90');
        foreach ([
            80 => '32',
            85 => '16',
            90 => '8',
            92 => '6.1',
            95 => '4',
            97 => '3.0',
            100 => '2',
            102 => '1.5',
            105 => '1',
            110 => '0.5',
            115 => '0.25',
        ] as $level => $hours) {
            $digits = strlen((string) strrchr($hours, '.')) - 1;
            self::assertSame($hours, number_format($criterion->allowedHours((float) $level), max(0, $digits), '.', ''), "$level dB");
        }
    }

    /** NIOSH 98-126 Table 1-1 (published): level to allowed time; the table cuts seconds where it prints minutes. */
    public function testAllowedTimeOfNioshTable(): void
    {
        $criterion = self::criterion('85', '3', '80');
        foreach ([
            80 => [25, 24, 0],
            82 => [16, 0, 0],
            83 => [12, 42, 0],
            84 => [10, 5, 0],
            85 => [8, 0, 0],
            88 => [4, 0, 0],
            91 => [2, 0, 0],
            94 => [1, 0, 0],
            97 => [0, 30, 0],
            100 => [0, 15, 0],
            103 => [0, 7, 30],
            106 => [0, 3, 45],
        ] as $level => [$hours, $minutes, $seconds]) {
            $allowed = 3600 * $criterion->allowedHours((float) $level);
            self::assertEqualsWithDelta(3600 * $hours + 60 * $minutes + $seconds, $allowed, $level < 85 ? 60.0 : 0.5, "$level dB");
        }
    }

    /** A day of six levels, worked from N-3 and N-4 (check values). */
    public function testDayOfSixLevels(): void
    {
        $day = [];
        foreach ([[1.5, 99], [1, 95], [3, 82], [1.5, 76], [0.5, 88], [0.5, 65]] as [$hours, $level]) {
            array_push($day, ...array_fill(0, (int) ($hours * 60), 1000 * $level));
        }
        $histogram = LevelHistogram::of(self::log($day, 60.0), 0, [[0, \count($day)]]);
        self::assertEqualsWithDelta(92.99, $histogram->equivalentLevel(), 0.005);
        foreach ([['90', '5', '90', 90.29], ['90', '5', '80', 107.40], ['85', '3', '80', 633.46]] as [$level, $rate, $threshold, $dose]) {
            self::assertEqualsWithDelta($dose, $histogram->dose(self::criterion($level, $rate, $threshold), 60.0), 0.005);
        }
    }

    /** Half a minute at 100, half at 75 dB (check values): 200 %/8 h from 1 s values, 264 % from the minute's L_eq. */
    public function testMinuteOfTwoLevelsDependsOnTheInterval(): void
    {
        $criterion = self::criterion('90', '5', '80');
        $seconds = LevelHistogram::of(self::log([...array_fill(0, 30, 100000), ...array_fill(0, 30, 75000)], 1.0), 0, [[0, 60]]);
        self::assertEqualsWithDelta(97.0, $seconds->equivalentLevel(), 0.05);
        self::assertEqualsWithDelta(200.0, 480 * $seconds->dose($criterion, 1.0), 0.5);
        self::assertEqualsWithDelta(
            264.0,
            480 * LevelHistogram::of(
                self::log([(int) round(1000 * $seconds->equivalentLevel())], 60.0),
                0,
                [[0, 1]],
            )->dose($criterion, 60.0),
            0.5,
        );
    }

    /** A dose of 96 % known as a total with a drift (check values, N-10): signed, never ±. */
    #[TestWith(['hc', '114.4', 96.0, 90.82, 93.387])]
    #[TestWith(['rel', '114.4', 96.0, 87.53, null])]
    #[TestWith(['hc', '113.6', 96.0, 101.47, null])]
    #[TestWith(['rel', '113.6', 96.0, 105.30, null])]
    public function testDoseTotalByFourAnswers(string $criterion, string $post, float $pre, float $byPost, ?float $between): void
    {
        $result = Scene::result(
            $this->day($post, ['doses' => [$criterion => ['value' => '96', 'provenance' => 'typed']]]),
            'dose:'.$criterion,
        );
        self::assertEqualsWithDelta($pre, $result->answers->pre?->toFloat(), 0.005);
        self::assertEqualsWithDelta($byPost, $result->answers->post?->toFloat(), 0.005);
        if ($between !== null) {
            self::assertEqualsWithDelta($between, $result->answers->between?->toFloat(), 0.0005);
        }
    }

    /** A level with 0 to +0.4 dB: in between L − 0.198 (check values, N-10). */
    public function testLevelInBetween(): void
    {
        $result = Scene::result($this->day('114.4', ['equivalentLevel' => ['value' => '90.0', 'provenance' => 'typed']]), 'laeq');
        self::assertEqualsWithDelta(90.0 - 0.198, $result->answers->between?->toFloat(), 0.0005);
    }

    /** 87.3 dB over 6.5 h is L_EX,8h 86.398 (computed, N-8); instrument-only U of a dosimeter 2.97 (ISO 9612 Annex C, from memory). */
    public function testDailyExposureWithItsUncertainty(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '15:00', ['114.0'])->run('r', '08:00', '14:30', '87.3');
        $result = Scene::result($scene->assess('r'), 'lex8h');
        self::assertEqualsWithDelta(86.398, $result->answers->indicated?->toFloat(), 0.0005);
        self::assertEqualsWithDelta(2.97, $result->beside->uncertainty?->toFloat(), 0.005);
        self::assertStringContainsString('is not in it', $result->beside->notes[0]->words);
    }

    /** A level whose rounding would change the side of a limit is shown with one digit more: 84.96, not 85.0. */
    public function testRoundingNeverChangesTheSide(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.0'])->run('r', '08:00', '16:00', '84.96');
        $written = json_encode((new \Footnote\Core\Record\AssessmentWriter())->write($scene->assess('r'))['results'], \JSON_THROW_ON_ERROR);
        self::assertMatchesRegularExpression('/"key":"lex8h".*?"shown":"84\.96"/', $written);
    }

    /** @param array<string, mixed> $totals */
    private function day(string $post, array $totals): \Footnote\Core\Judgement\Assessment
    {
        return (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->check('k2', '16:30', [$post])
            ->run('r', '08:00', '16:00', '90.0', ['totals' => $totals])
            ->assess('r');
    }

    /** @param list<int> $thousandths */
    public static function log(array $thousandths, float $step, ColumnKind $kind = LevelColumn::Equivalent): PackedLog
    {
        return PackedLog::ofValues([new LogColumn($kind)], new \DateTimeImmutable('2026-03-02T08:00:00+00:00'), $step, [$thousandths]);
    }
}
