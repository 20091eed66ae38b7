<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\ExposureComparator;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\LimitOutcome;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * FC-B1: a statement about a limit equals a plain enumeration of every value that the result could have. Random days of four
 * families, limits all around their numbers: robust where every value lies on one side, else undecided with a cause.
 */
final class StatementPropertyTest extends TestCase
{
    /** @return iterable<string, array{\Closure(): array{Assessment, \Closure(list<array<string, string>>): Assessment}}> */
    public static function families(): iterable
    {
        yield 'noise, typed totals' => [self::noise(...)];
        yield 'air, a filter with its blanks' => [self::air(...)];
        yield 'gas, a log along its bracket' => [self::gas(...)];
        yield 'particles, counts and background' => [self::particles(...)];
    }

    /** @param \Closure(): array{Assessment, \Closure(list<array<string, string>>): Assessment} $random */
    #[DataProvider('families')]
    public function testAStatementIsThePlainEnumerationOfAllValues(\Closure $random): void
    {
        mt_srand(20261128);
        $seen = [];
        for ($round = 0; $round < 12; ++$round) {
            [$plain, $against] = $random();
            $limits = self::around($plain->results);
            $judged = $against($limits);
            foreach ($judged->results as $result) {
                foreach ($result->outcomes as $outcome) {
                    $this->holds($judged, $result, $outcome);
                    $seen[$outcome->robustness->value] = ($seen[$outcome->robustness->value] ?? 0) + 1;
                }
            }
        }
        self::assertGreaterThan(20, $seen[Robustness::Robust->value] ?? 0, 'robust statements were looked at');
        self::assertGreaterThan(20, $seen[Robustness::Undecided->value] ?? 0, 'and undecided ones');
    }

    private function holds(Assessment $assessment, Result $result, LimitOutcome $outcome): void
    {
        $words = \sprintf(
            '%s against %s %s: %s',
            $result->title,
            $outcome->limit->threshold->comparator->value,
            $outcome->limit->threshold->value->written,
            $outcome->statement->words,
        );
        if ($assessment->verdictOn($result) === Verdict::Void) {
            self::assertSame(Robustness::NotKnown, $outcome->robustness, 'void states nothing: '.$words);

            return;
        }
        $sides = [];
        foreach (self::every($result) as $figure) {
            foreach (self::ends($figure) as $end) {
                $sides[] = self::crosses($outcome->limit, $end);
            }
        }
        $agree = \count(array_unique($sides)) === 1;
        if ($outcome->robustness === Robustness::Robust) {
            self::assertTrue($agree, 'a value speaks against it: '.$words);
            self::assertSame($sides[0], $outcome->crossed, $words);
            self::assertSame([], $outcome->causes, $words);
            self::assertNotNull($assessment->bracket->pre, $words);
            self::assertNotNull($assessment->bracket->post, $words);

            return;
        }
        self::assertNotSame([], $outcome->causes, 'it names a cause: '.$words);
        self::assertStringStartsWith('Undecided: ', $outcome->statement->words);
        $other = $result->footing->causes !== [] || (!$outcome->crossed && $result->footing->ceiling !== null);
        self::assertTrue(!$agree || $other, 'nothing speaks against it: '.$words);
    }

    /** @return list<Figure> every value that a result could have, written out once more */
    private static function every(Result $result): array
    {
        return array_values(array_filter([
            $result->reportedFigure(),
            $result->footing->plain ? $result->answers->indicated : null,
            $result->answers->pre,
            $result->answers->post,
            $result->answers->between,
            ...$result->answers->byChecks,
            ...array_map(static fn (array $one): Figure => $one[1], $result->footing->also),
        ]));
    }

    /** @return list<float> */
    private static function ends(Figure $figure): array
    {
        return match (true) {
            $figure->known->bound === Bound::AtLeast => [
                $figure->known->floor === null ? $figure->toFloat() : (float) (string) $figure->low()->toFloat(),
                \INF,
            ],
            $figure->known->bound === Bound::AtMost => [-\INF, $figure->toFloat()],
            $figure->known->floor !== null => [$figure->low()->toFloat(), $figure->toFloat()],
            default => [$figure->toFloat()],
        };
    }

    private static function crosses(ExposureLimit $limit, float $value): bool
    {
        $line = $limit->threshold->value->value->toFloat();

        return match ($limit->threshold->comparator) {
            ExposureComparator::FallenBelow => $value < $line,
            ExposureComparator::Exceeded => $value > $line,
            default => $value >= $line,
        };
    }

    /**
     * Limits around the values of results, none so near that a rounding of doubles would turn it.
     *
     * @param list<Result> $results
     *
     * @return list<array<string, string>>
     */
    private static function around(array $results): array
    {
        $limits = [];
        foreach ($results as $result) {
            $values = array_filter(array_merge(...array_map(self::ends(...), self::every($result))), is_finite(...));
            if ($values === []) {
                continue;
            }
            $spread = max(0.005 * abs(max($values)), max($values) - min($values), 1e-4);
            for ($i = 0; $i < 5; ++$i) {
                $line = (min($values) + max($values)) / 2 + $spread * mt_rand(-80, 80) / 100;
                if ($line <= 0.0
                    || array_filter($values, static fn (float $value): bool => abs($value - $line) < 1e-6 * max(1.0, abs($line))) !== []) {
                    continue;
                }
                $limits[] = [
                    'id' => 'l'.\count($limits), 'title' => 'limit '.\count($limits), 'quantity' => $result->key,
                    'value' => number_format($line, 6, '.', ''), 'unit' => $result->reportedFigure()->unit->value,
                    'comparator' => ['>', '>=', '<'][$i % 3], 'source' => 'drawn', 'mark' => 'own',
                ];
            }
        }

        return $limits;
    }

    /** @return array{Assessment, \Closure(list<array<string, string>>): Assessment} */
    private static function noise(): array
    {
        $level = static fn (int $low, int $high): string => number_format(mt_rand($low, $high) / 10, 1, '.', '');
        $before = $level(1136, 1144);
        $after = $level(1136, 1144);
        $left = mt_rand(0, 2) === 0;
        $totals = [
            'equivalentLevel' => ['value' => $level(800, 950), 'provenance' => 'typed'],
            'peak' => ['value' => $level(1200, 1390), 'provenance' => 'typed'],
        ];
        $more = ['totals' => $totals, ...(mt_rand(0, 1) === 0 ? ['shiftMinutes' => 480] : [])];
        $isOpen = mt_rand(0, 5) === 0;
        $day = static function (array $limits) use ($before, $after, $left, $more, $isOpen): Assessment {
            $scene = (new Scene())->check('k1', '07:30', [$before], $left ? ['114.0'] : [])->run('r', '08:00', '14:00', more: $more);
            $scene = $isOpen ? $scene : $scene->check('k2', '16:30', [$after]);
            $scene->record['campaign'] = ['code' => 'c', 'title' => 'c', 'limits' => $limits];

            return $scene->assess('r');
        };

        return [$day([]), $day];
    }

    /** @return array{Assessment, \Closure(list<array<string, string>>): Assessment} */
    private static function air(): array
    {
        $flow = static fn (): string => number_format(mt_rand(1950, 2050) / 1000, 3, '.', '');
        $before = $flow();
        $after = $flow();
        $mass = (string) mt_rand(300, 2000);
        $blank = ['<20', '12', '0'][mt_rand(0, 2)];
        $shift = mt_rand(0, 1) === 0 ? ['shiftMinutes' => 480] : [];
        $day = static function (array $limits) use ($before, $after, $mass, $blank, $shift): Assessment {
            $scene = (new AirScene())->check('k1', '07:30', [$before])->run('r', '08:00', '15:30', $shift)->check('k2', '16:30', [$after])
                ->found('r', $mass, blank: $blank);
            $scene->record['campaign'] = [...Scene::fields($scene->record['campaign'])->data(), 'limits' => $limits];

            return $scene->assess('r');
        };

        return [$day([]), $day];
    }

    /** @return array{Assessment, \Closure(list<array<string, string>>): Assessment} */
    private static function gas(): array
    {
        $log = array_map(static fn (int $i): string => (string) (20 + intdiv($i, 60) % 9 + mt_rand(0, 9)), range(0, 899));
        $after = (string) (50 - mt_rand(0, 4));
        $zero = number_format(mt_rand(0, 10) / 10, 1, '.', '');
        $day = static function (array $limits) use ($log, $after, $zero): Assessment {
            $scene = (new GasScene())->check('k1', '07:45')->run('r', '08:00', '10:30', ['CO' => $log])->check(
                'k2',
                '12:10',
                ['CO' => $after],
                zero: ['CO' => $zero],
            );
            $scene->record['campaign'] = ['code' => 'c', 'title' => 'c', 'limits' => $limits];

            return $scene->assess();
        };

        return [$day([]), $day];
    }

    /** @return array{Assessment, \Closure(list<array<string, string>>): Assessment} */
    private static function particles(): array
    {
        $counts = array_map(static fn (): string => (string) mt_rand(200, 400), range(0, 99));
        $flow = static fn (): string => number_format(mt_rand(276, 288) / 100, 2, '.', '');
        $before = $flow();
        $after = $flow();
        $blank = ['0.3' => (string) mt_rand(0, 60), '0.5' => '0', '5.0' => '0'];
        $day = static function (array $limits) use ($counts, $before, $after, $blank): Assessment {
            $scene = (new ParticleScene())->check('k1', '07:45', [$before], $blank)->run('r', '08:00', '09:40', ['0.3' => $counts])
                ->check('k2', '09:50', [$after], $blank);
            $scene->record['campaign'] = ['code' => 'c', 'title' => 'c', 'limits' => $limits];

            return $scene->assess();
        };

        return [$day([]), $day];
    }

    /** Without a limit nothing is stated, and a limit of another quantity says nothing of this one. */
    public function testALimitIsHeldAgainstItsOwnQuantityOnly(): void
    {
        [$plain, $day] = self::noise();
        foreach ($plain->results as $result) {
            self::assertSame([], $result->outcomes);
        }
        $limits = self::around($plain->results);
        foreach ($day($limits)->results as $result) {
            foreach ($result->outcomes as $outcome) {
                self::assertSame($result->key, $outcome->limit->quantity);
            }
        }
    }
}
