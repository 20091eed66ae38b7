<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Quantity\Exact;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Figures remember, are shown with care, and lie flat on a sheet once each. */
final class DerivationTest extends TestCase
{
    private static function figure(string|float $value, int $decimals = 1): Figure
    {
        return Figure::read(
            'L',
            'level',
            \is_string($value) ? Exact::of($value) : $value,
            LevelUnit::DecibelA,
            new Origin('run', 'r', 'typed'),
            $decimals,
        );
    }

    /** Value, limit, what is printed: a digit more while the rounding would sit on the other side or on the limit. */
    #[TestWith(['84.96', '85', '84.96'])]
    #[TestWith(['84.999', '85', '84.999'])]
    #[TestWith(['85.0', '85', '85.0'])]
    #[TestWith(['85.04', '85', '85.04'])]
    #[TestWith(['85.06', '85', '85.1'])]
    #[TestWith(['84.94', '85', '84.9'])]
    #[TestWith(['-0.04', '0', '-0.04'])]
    public function testRoundingNeverChangesTheSideOfALimit(string $value, string $limit, string $shown): void
    {
        self::assertSame($shown, self::figure($value)->shownBeside(Exact::of($limit)));
        self::assertSame($shown, self::figure((float) $value)->shownBeside(Exact::of($limit)), 'the same for what was computed');
    }

    #[TestWith(['0.40', '+0.40'])]
    #[TestWith(['-0.7', '−0.70'])]
    #[TestWith(['0', '0.00'])]
    #[TestWith(['-0.001', '0.00'])]
    public function testSignedForASentence(string $value, string $signed): void
    {
        self::assertSame($signed, self::figure((float) $value, 2)->signed());
    }

    public function testNothingIsSaidOfWhatIsNotFinite(): void
    {
        self::assertSame('−∞', self::figure(-\INF)->shown());
        self::assertSame('−∞', self::figure(-\INF)->full());
        self::assertSame('−∞', self::figure(-\INF)->shownBeside(Exact::of('85')));
    }

    /** A day below the threshold has a dose of 0 %, no TWA, and is judged all the same. */
    public function testAQuietDayIsJudgedAgainstALimitOnTheTwa(): void
    {
        $scene = new Scene();
        $campaign = $scene->record['campaign'];
        self::assertIsArray($campaign);
        $campaign['limits'] = [[
            'id' => 'own',
            'title' => 'house limit',
            'quantity' => 'twa:pel',
            'value' => '85',
            'unit' => 'dB(A)',
            'comparator' => '>',
            'source' => 'House rule',
            'mark' => 'own',
        ]];
        $scene->record['campaign'] = $campaign;
        $assessment = $scene->check('k1', '07:30', ['114.0'])->run('r', '08:00', '10:00')->check('k2', '16:30', ['114.0'])->assessLog(
            'r',
            NoiseTablesTest::log(array_fill(0, 7200, 60000), 1.0),
        );
        $result = Scene::result($assessment, 'twa:pel');
        self::assertFalse($result->outcomes[0]->crossed);
        $written = json_encode(
            (new \Footnote\Core\Record\AssessmentWriter())->write($assessment),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
        );
        self::assertStringContainsString('"shown":"−∞"', $written);
    }

    /** Pauses that swallow the whole run leave no time to sum over; nothing breaks, and no number is made of it. */
    public function testARunThatWasPausedThroughout(): void
    {
        $pause = ['from' => Scene::moment('08:00'), 'to' => Scene::moment('16:00')];
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->check('k2', '16:30', ['114.2'])
            ->run(
                'r',
                '08:00',
                '16:00',
                '90.0',
                [
                    'pauses' => [$pause, $pause],
                    'plannedMinutes' => 480,
                    'totals' => [
                        'equivalentLevel' => ['value' => '90.0', 'provenance' => 'typed'],
                        'doses' => ['hc' => ['value' => '0', 'provenance' => 'typed']],
                    ],
                ],
            );
        $assessment = $scene->assess('r');
        self::assertSame(0.0, $assessment->run->runningSeconds());
        self::assertSame(-\INF, Scene::result($assessment, 'lex8h')->answers->indicated?->toFloat());
        self::assertContains('run.short', Scene::rules($assessment));
        self::assertJson(json_encode((new \Footnote\Core\Record\AssessmentWriter())->write($assessment), \JSON_THROW_ON_ERROR));
    }

    public function testEveryDigitIsKeptForMachines(): void
    {
        self::assertSame('0.1', self::figure('0.10')->full());
        self::assertSame('93.386999', self::figure(93.386999)->full());
        self::assertSame('0.333333333333', self::figure('1', 1)->value instanceof Exact ? (string) Exact::of(1)->dividedBy(3) : '');
    }

    public function testASharedFigureIsOneRow(): void
    {
        $reading = self::figure('114.0');
        $zero = Exact::zero();
        $deviation = ['L_i₁' => $reading, 'L_exp' => $reading];
        $offset = Figure::derived('ε', 'offset', $zero, LevelUnit::Decibel, NoiseEquation::Deviation, $deviation);
        $ends = ['ε_post' => $offset, 'ε_pre' => $reading];
        $drift = Figure::derived('d', 'drift', $zero, LevelUnit::Decibel, NoiseEquation::Drift, $ends);
        $sheet = new Sheet();
        self::assertSame('f3', $sheet->enter($drift));
        self::assertSame('f2', $sheet->enter($offset), 'entered before');
        $rows = $sheet->rows();
        self::assertCount(3, $rows);
        self::assertSame(['f1', 'f1'], $rows[1]['inputs']);
        self::assertSame(['f2', 'f1'], $rows[2]['inputs']);
        self::assertNull($rows[0]['equation']);
        self::assertIsArray($rows[2]['equation']);
        self::assertSame('N-2b', $rows[2]['equation']['id']);
    }

    /** Every derivation of a whole assessment ends at evidence: nothing comes out of nowhere. */
    public function testEveryDerivationEndsAtEvidence(): void
    {
        $assessment = (new Scene())->check('k1', '07:30', ['114.0', '114.1'])->check('k2', '16:30', ['113.9'])
            ->run(
                'r',
                '08:00',
                '16:00',
                '90.0',
                [
                    'shiftMinutes' => 480,
                    'totals' => [
                        'equivalentLevel' => ['value' => '90.0', 'provenance' => 'photographed'],
                        'doses' => ['hc' => ['value' => '96', 'provenance' => 'typed']],
                    ],
                ],
            )->assess('r');
        $visit = static function (Figure $figure) use (&$visit): int {
            if ($figure->from->inputs === []) {
                self::assertNotNull($figure->from->origin, $figure->symbol.' says where it came from');
                self::assertNotSame('', $figure->from->origin->note);

                return 1;
            }
            self::assertNotNull($figure->from->equation, $figure->symbol.' names its equation');

            return array_sum(array_map($visit, $figure->from->inputs));
        };
        foreach ($assessment->results as $result) {
            foreach (array_filter([
                $result->answers->indicated, $result->answers->pre, $result->answers->post,
                $result->answers->between, $result->beside->uncertainty,
            ]) as $figure) {
                self::assertGreaterThan(0, $visit($figure));
            }
        }
    }
}
