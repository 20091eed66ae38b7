<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\RecordReader;
use PHPUnit\Framework\TestCase;

/** What is put together of pieces: a day cut in two comes to the day uncut, in whatever order its pieces were written. */
final class ShiftSumsTest extends TestCase
{
    /** @return list<float> two hours of levels at a second */
    private static function levels(): array
    {
        $levels = [];
        for ($i = 0; $i < 7200; ++$i) {
            $levels[] = mt_rand(700, 1000) / 10;
        }

        return $levels;
    }

    /**
     * @param list<float>                  $levels
     * @param list<array{string, int, int}> $runs   name, and the seconds after 08:00 that it ran from and to
     *
     * @return array<string, Assessment> by run
     */
    private static function noise(array $levels, array $runs): array
    {
        $text = "Time,LAeq\n";
        $start = new \DateTimeImmutable('2026-03-02T08:00:00');
        foreach ($levels as $i => $level) {
            $text .= $start->modify("+$i seconds")->format('Y-m-d H:i:s').','.$level."\n";
        }
        $scene = (new Scene())->check('k1', '07:30', ['114.2'])->check('k2', '16:30', ['114.2']);
        foreach ($runs as [$id, $from, $to]) {
            $scene->run($id, $start->modify("+$from seconds")->format('H:i:s'), $start->modify("+$to seconds")->format('H:i:s'), more: [
                'totals' => null, 'shiftMinutes' => 480,
                'log' => [
                    'file' => 'day.csv',
                    'format' => [
                        'delimiter' => ',',
                        'decimal' => '.',
                        'skip' => 1,
                        'time' => [0],
                        'dateOrder' => 'ymd',
                        'columns' => [['place' => 1, 'kind' => 'LAeq']],
                    ],
                ],
            ]);
        }
        $campaign = (new RecordReader(\Footnote\Core\Families::formats()))->read(
            $scene->record,
            static fn (string $name): LogFile => LogFile::ofText($name, $text),
        );
        $shifts = new ShiftAssessor(Families::assessor(), Scene::policy('standard'), $campaign->yardsticks);
        $found = [];
        foreach ($campaign->timelines['D']->runs() as $run) {
            $found[$run->id] = $shifts->assess($run, $campaign->timelines['D'], $campaign->shiftOf($run));
        }

        return $found;
    }

    public function testADayOfNoiseCutInTwoComesToTheDay(): void
    {
        mt_srand(77);
        for ($round = 0; $round < 3; ++$round) {
            $levels = self::levels();
            $cut = mt_rand(600, 6600);
            $whole = self::noise($levels, [['w', 0, 7200]])['w'];
            $pieces = self::noise($levels, [['a', 0, $cut], ['b', $cut, 7200]]);
            $turned = self::noise($levels, [['b', $cut, 7200], ['a', 0, $cut]]);
            foreach (['lex8h', 'dose:pel', 'dose:hc', 'twa:pel'] as $key) {
                $day = Scene::result($whole, $key);
                foreach ([$pieces['a'], $pieces['b'], $turned['a'], $turned['b']] as $piece) {
                    $made = Scene::result($piece, $key);
                    self::assertEqualsWithDelta(
                        $day->reportedFigure()->toFloat(),
                        $made->reportedFigure()->toFloat(),
                        1e-9,
                        $key.' on each of its pages',
                    );
                    self::assertEqualsWithDelta(
                        $day->answers->pre?->toFloat(),
                        $made->answers->pre?->toFloat(),
                        1e-9,
                        $key.', offset taken out',
                    );
                    self::assertSame(
                        array_map(static fn (array $one): string => $one[0], $day->footing->also),
                        array_map(static fn (array $one): string => $one[0], $made->footing->also),
                        $key.' has the same other values',
                    );
                }
            }
            // Written out once more: energies and shares of the dose add up.
            $energy = array_sum(array_map(static fn (float $level): float => 10 ** ($level / 10), $levels));
            self::assertEqualsWithDelta(10 * log10($energy / 28800), $this->asNothing(Scene::result($pieces['a'], 'lex8h')), 1e-9);
            $dose = array_sum(
                array_map(static fn (float $level): float => $level < 80.0 ? 0.0 : 100 / 28800 * 2 ** (($level - 90) / 5), $levels),
            );
            self::assertEqualsWithDelta($dose, $this->asNothing(Scene::result($pieces['b'], 'dose:hc')), 1e-7 * $dose);
        }
    }

    /** The number with what was not sampled as nothing, whichever of both is reported. */
    private function asNothing(Result $result): float
    {
        foreach ($result->footing->also as [$words, $figure]) {
            if ($words === 'with the unsampled part of the day as nothing') {
                return $figure->toFloat();
            }
        }

        return $result->reportedFigure()->toFloat();
    }

    /** TWA = Σ c·t/480 (published: 29 CFR 1910.1000(d)), over pieces that were drawn at random and written in any order. */
    public function testSamplesOfADayAddUpByTheirTimes(): void
    {
        mt_srand(78);
        for ($round = 0; $round < 6; ++$round) {
            $pieces = [];
            $at = 0;
            foreach (range(1, mt_rand(2, 3)) as $i) {
                $minutes = mt_rand(60, 140);
                $pieces[] = ["s$i", $at, $at + $minutes, mt_rand(200, 900)];
                $at += $minutes + mt_rand(0, 5);
            }
            $expected = 0.0;
            foreach ($pieces as [, $from, $to, $mass]) {
                $expected += $mass / 1000 / (2.0 * ($to - $from) / 1000 * (100 / 101.325) * (298.15 / 293.15)) * ($to - $from) / 480;
            }
            foreach ([$pieces, array_reverse($pieces)] as $order) {
                $scene = (new AirScene())->check('k1', '07:30', ['2.000'])->check('k2', '17:30', ['2.000']);
                foreach ($order as [$id, $from, $to, $mass]) {
                    $clock = static fn (int $minutes): string => \sprintf('%02d:%02d', 8 + intdiv($minutes, 60), $minutes % 60);
                    $scene->run($id, $clock($from), $clock($to))->found($id, (string) $mass, blank: $id === 's1' ? '0' : '');
                }
                foreach ($pieces as [$id]) {
                    $twa = $scene->result($id, 'twa:wood');
                    self::assertEqualsWithDelta($expected, $twa->reportedFigure()->toFloat(), 1e-9 * $expected, "$id of round $round");
                }
            }
        }
    }
}
