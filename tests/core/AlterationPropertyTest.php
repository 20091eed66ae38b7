<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\TestCase;

/**
 * FC-A1: for any stretch, the numbers with and without it both stand on the result, whoever took it out or left it in, and are
 * those of a day on which it was the other way round.
 */
final class AlterationPropertyTest extends TestCase
{
    private const MINUTES = 240;

    /** @return array{string, int, int} the record's list for a stretch left out, and its minutes */
    private static function stretch(): array
    {
        $from = mt_rand(5, self::MINUTES - 40);

        return ['exclusions', $from, $from + mt_rand(1, 30)];
    }

    /** @return array<string, string> */
    private static function said(int $from, int $to): array
    {
        $at = static fn (int $minute): string => \sprintf('2026-03-02T%02d:%02d:00+00:00', 8 + intdiv($minute, 60), $minute % 60);

        return ['from' => $at($from), 'to' => $at($to), 'reason' => 'the drawer', 'by' => 'H-1'];
    }

    /**
     * @param list<string>                $levels   of carbon monoxide, every ten seconds
     * @param list<array<string, string>> $excluded
     */
    private static function gas(array $levels, array $excluded): Assessment
    {
        return (new GasScene())->check('k1', '07:45')
            ->run('r', '08:00', '12:00', ['CO' => $levels], more: $excluded === [] ? [] : ['exclusions' => $excluded])
            ->check('k2', '12:10', ['CO' => '49'])->assess();
    }

    /** @param list<array<string, string>> $excluded */
    private static function dust(array $excluded, string ...$levels): Assessment
    {
        return ParticleScene::photometer()->check('k1', '07:45', ['1.70'], [], ['zeroFound' => [['value' => '0.000']]])
            ->run(
                'r',
                '08:00',
                '12:00',
                ['dust' => array_values($levels)],
                [...($excluded === [] ? [] : ['exclusions' => $excluded]), 'photometerFactor' => '1.2', 'weighed' => '0.2'],
            )
            ->check('k2', '12:10', ['1.70'], [], ['zeroFound' => [['value' => '0.002']]])->assess();
    }

    public function testBothNumbersAreThoseOfTheOtherDay(): void
    {
        mt_srand(61);
        for ($round = 0; $round < 6; ++$round) {
            $levels = array_map(static fn (): string => (string) mt_rand(2, 40), range(1, 6 * self::MINUTES));
            $dust = array_map(static fn (): string => number_format(mt_rand(100, 400) / 1000, 3, '.', ''), range(1, self::MINUTES));
            [, $from, $to] = self::stretch();
            $said = [self::said($from, $to)];
            self::agree(self::gas($levels, []), self::gas($levels, $said));
            self::agree(self::dust([], ...$dust), self::dust($said, ...$dust));
        }
    }

    /** Two stretches: each line tells the day without that one alone. */
    public function testEachStretchStandsForItself(): void
    {
        mt_srand(62);
        $levels = array_map(static fn (): string => (string) mt_rand(2, 40), range(1, 6 * self::MINUTES));
        $first = self::said(20, 40);
        $second = self::said(100, 130);
        $both = self::gas($levels, [$first, $second]);
        foreach ([[$first, $second], [$second, $first]] as [$in, $out]) {
            $without = self::gas($levels, [$out]);
            foreach ($both->results as $result) {
                $line = self::lineOf($result, $in['from']);
                self::assertNotNull($line, $result->title);
                self::assertSame(self::full($without, $result), $line->otherwise?->full(), $result->title);
            }
        }
    }

    private static function agree(Assessment $plain, Assessment $out): void
    {
        self::assertNotSame([], $out->results);
        self::assertSame(Verdict::Qualified, $out->verdict, 'what a person left out qualifies');
        foreach ($out->results as $result) {
            $lines = array_values(
                array_filter($result->footing->altered, static fn (Altered $one): bool => $one->by->kind === AlterationKind::Person),
            );
            self::assertCount(1, $lines, $result->title);
            self::assertSame(['H-1', 'the drawer'], [$lines[0]->by->by, $lines[0]->by->why]);
            self::assertSame(self::full($plain, $result), $lines[0]->otherwise?->full(), 'the number with it: '.$result->title);
        }
        foreach ($plain->results as $result) {
            self::assertSame(
                [],
                array_filter($result->footing->altered, static fn (Altered $one): bool => $one->by->kind === AlterationKind::Person),
            );
        }
    }

    private static function lineOf(Result $result, string $from): ?Altered
    {
        foreach ($result->footing->altered as $one) {
            if ($one->by->span?->ends()['from'] === $from) {
                return $one;
            }
        }

        return null;
    }

    private static function full(Assessment $assessment, Result $like): ?string
    {
        foreach ($assessment->results as $result) {
            if ($result->key === $like->key) {
                return $result->reportedFigure()->full();
            }
        }

        return null;
    }

    /** What a person left in is told as that, with its reason, and weighs nothing (rule removed.left-in). */
    public function testWhatAPersonLeftInIsANote(): void
    {
        $log = ['O2' => '20.9', 'LEL' => '0', 'CO' => '3', 'H2S' => '0'];
        $gas = ['O2' => '18', 'LEL' => '50', 'CO' => '50', 'H2S' => '25'];
        $series = [];
        foreach ($log as $channel => $quiet) {
            $series[$channel] = array_map(static fn (int $i): string => $i >= 600 && $i < 624 ? $gas[$channel] : $quiet, range(0, 1439));
        }
        /** @param list<array<string, string>> $in */
        $day = static fn (array $in): Assessment => (new GasScene())->check('k1', '07:45')
            ->run('r', '08:00', '12:00', $series, more: ['leftIn' => $in])->check('k2', '12:10')->assess();
        $ruled = Scene::result($day([]), 'peak-ppm:carbon-monoxide');
        $left = $day([self::said(98, 106)]);
        $peak = Scene::result($left, 'peak-ppm:carbon-monoxide');
        self::assertSame(
            ['3', '50'],
            [(string) round($ruled->reportedFigure()->toFloat()), (string) round($peak->reportedFigure()->toFloat())],
        );
        $notes = array_values(array_filter($left->findings, static fn ($finding): bool => $finding->rule->id === 'removed.left-in'));
        self::assertNotSame([], $notes);
        self::assertSame(Severity::Note, $notes[0]->severity);
        self::assertStringContainsString('H-1 says: the drawer', $notes[0]->seen);
        self::assertSame(
            '3',
            (string) round(self::lineOfKind($peak, AlterationKind::LeftIn)?->otherwise?->toFloat() ?? -1.0),
            'and the number without it',
        );
    }

    private static function lineOfKind(Result $result, AlterationKind $kind): ?Altered
    {
        foreach ($result->footing->altered as $one) {
            if ($one->by->kind === $kind) {
                return $one;
            }
        }

        return null;
    }

    /** A pause between two runs of a person is asked, and taken for something until somebody says (rule shift.pause). */
    public function testAPauseIsAskedUntilTheShiftIsNamed(): void
    {
        $day = static function (string $second, ?string $shift = null): Assessment {
            $named = $shift === null ? [] : ['shift' => $shift];
            $scene = (new AirScene())->check('k1', '05:30', ['2.000'])->check('k2', '20:30', ['2.000']);
            $scene->run('a', '06:00', '08:00', $named)->found('a', '240')->run('b', $second, '18:00', $named)->found('b', '300', blank: '');

            return $scene->assess('b');
        };
        $asked = static fn (Assessment $assessment): ?string => array_values(array_map(
            static fn ($finding): string => $finding->seen,
            array_filter($assessment->findings, static fn ($finding): bool => $finding->rule->id === 'shift.pause'),
        ))[0] ?? null;
        self::assertNull($asked($day('09:30')), 'an hour and a half is a pause');
        self::assertSame('3.0 h lie before b: taken as a pause of one shift until the shift is named.', $asked($day('11:00')));
        self::assertSame('6.0 h lie before b: taken as the time between two shifts until the shift is named.', $asked($day('14:00')));
        self::assertNull($asked($day('14:00', 'late')), 'a named shift wins');
        // Taken as one shift both samples make the average; as two each stands alone.
        self::assertStringContainsString('a (120 min', implode(' ', Scene::result($day('11:00'), 'twa:wood')->beside->notes));
        self::assertStringNotContainsString('a (120 min', implode(' ', Scene::result($day('14:00'), 'twa:wood')->beside->notes));
    }
}
