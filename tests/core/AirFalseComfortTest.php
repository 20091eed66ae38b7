<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\LimitOutcome;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\Shift;
use Footnote\Core\Judgement\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * What a sum of air sampling must not claim, and what it may: side by side, unsampled, short, below zero, in other air. Limits
 * are own where no source stands.
 */
final class AirFalseComfortTest extends TestCase
{
    /** Two samples of 720 L and 1.44 mg at 2 L/min over six hours each: 2 mg/m³ at the conditions of the field. */
    private static function scene(): AirScene
    {
        return (new AirScene(''))->check('k1', '07:45', ['2.0'])->check('k2', '20:10', ['2.0']);
    }

    /** @param array<string, mixed> $more */
    private static function sampled(
        AirScene $scene,
        string $id,
        string $from,
        string $to,
        string $mass,
        array $more = [],
        string $analyte = 'wood',
    ): AirScene {
        return $scene->run($id, $from, $to, ['method' => null, ...$more])->found($id, $mass, ['analyte' => $analyte], [], '<0.1');
    }

    private static function limit(AirScene $scene, string $quantity, string $value, string $mixture = ''): AirScene
    {
        $campaign = $scene->record['campaign'];
        \assert(\is_array($campaign) && \is_array($campaign['limits']));
        $campaign['limits'][] = array_filter(
            [
                'id' => 'l'.\count($campaign['limits']),
                'title' => $quantity.' '.$value,
                'quantity' => $quantity,
                'value' => $value,
                'unit' => str_starts_with($quantity, 'mixture') ? '' : 'mg/m³',
                'comparator' => '>',
                'source' => 's',
                'mark' => 'own',
                'mixture' => $mixture,
            ],
            static fn (string $field): bool => $field !== '',
        );
        $scene->record['campaign'] = $campaign;

        return $scene;
    }

    private static function outcome(Result $result): LimitOutcome
    {
        self::assertCount(1, $result->outcomes);

        return $result->outcomes[0];
    }

    /** FC-E2 (computed): two pumps beside each other, 6 h of 2 mg/m³ each, are 1.5 over 8 h each and never 3. */
    public function testSideBySideIsNeverAdded(): void
    {
        $scene = self::sampled(
            self::sampled(self::scene(), 'a', '08:00', '14:00', '1440'),
            'b',
            '08:05',
            '14:05',
            '1440',
            ['instrument' => 'Q'],
        );
        $scene->add('instruments', AirScene::pump('Q'));
        $scene->add('checks', ['id' => 'q1', 'instrument' => 'Q'] + self::checkOf($scene, 0));
        $scene->add('checks', ['id' => 'q2', 'instrument' => 'Q'] + self::checkOf($scene, 1));
        foreach (['a', 'b'] as $run) {
            $result = $scene->result($run, 'twa:wood');
            self::assertSame('1.5', $result->answer(Answer::Between)?->full());
            self::assertStringContainsString('went on beside it and stands alone', implode(' ', $result->beside->notes));
        }
        self::assertContains(
            'shift.parallel',
            array_map(static fn ($finding): string => $finding->rule->id, $scene->assess('a')->findings),
        );
        // What another sampler beside it says is held against the limit as well.
        $disagree = self::limit(
            self::sampled(
                self::sampled(self::scene(), 'a', '08:00', '16:00', '1440'),
                'b',
                '08:00',
                '16:00',
                '2400',
                ['instrument' => 'Q'],
            ),
            'twa:wood',
            '2',
        );
        $disagree->add('instruments', AirScene::pump('Q'));
        $disagree->add('checks', ['id' => 'q1', 'instrument' => 'Q'] + self::checkOf($disagree, 0));
        $disagree->add('checks', ['id' => 'q2', 'instrument' => 'Q'] + self::checkOf($disagree, 1));
        self::assertSame(Robustness::Undecided, self::outcome($disagree->result('a', 'twa:wood'))->robustness);
    }

    /**
     * Pauses of one person (own limits): up to 4 h they are taken for one shift, beyond for two; from 2 h to 8 h it is asked.
     *
     * @param bool $one   whether both runs count as one shift
     * @param bool $asked whether a person is asked
     */
    #[TestWith(['09:59', true, false])]
    #[TestWith(['10:00', true, true])]
    #[TestWith(['12:00', true, true])]
    #[TestWith(['12:01', false, true])]
    #[TestWith(['16:00', false, true])]
    #[TestWith(['16:01', false, false])]
    public function testAPauseIsOneOrTheTimeBetweenTwoShifts(string $second, bool $one, bool $asked): void
    {
        $campaign = self::sampled(self::sampled(self::scene(), 'a', '06:00', '08:00', '240'), 'b', $second, '17:00', '240')->read();
        $runs = [];
        foreach ($campaign->timelines as $timeline) {
            $runs = [...$runs, ...$timeline->runs()];
        }
        [$first, $later] = $runs[0]->id === 'a' ? $runs : array_reverse($runs);
        foreach ([$first, $later] as $own) {
            $shift = Shift::of($own, $runs, Scene::policy('standard'));
            self::assertCount($one ? 2 : 1, $shift->runs);
            self::assertCount($asked ? 1 : 0, $shift->asked);
        }
    }

    /** @return array<string, mixed> */
    private static function checkOf(AirScene $scene, int $place): array
    {
        $checks = $scene->record['checks'];
        \assert(\is_array($checks) && \is_array($checks[$place]));
        /** @var array<string, mixed> */
        $check = $checks[$place];

        return $check;
    }

    /** One after the other they are one exposure, a little overlap counted once; of two fractions they are two. */
    public function testOneAfterTheOther(): void
    {
        $after = self::sampled(self::sampled(self::scene(), 'a', '08:00', '12:00', '960'), 'b', '12:00', '16:00', '480');
        self::assertSame('1.5', $after->result('a', 'twa:wood')->answer(Answer::Between)?->full(), '4 h of 2 and 4 h of 1 mg/m³');
        $fractions = self::sampled(
            self::sampled(self::scene(), 'a', '08:00', '12:00', '960'),
            'b',
            '12:00',
            '16:00',
            '480',
            ['sampler' => 'cyclone'],
        )->shelve(
            'samplers',
            [
                'code' => 'cyclone',
                'name' => 'cyclone',
                'selects' => 'respirable',
                'designFlow' => ['value' => '2.0', 'unit' => 'L/min'],
                'medium' => 'in line',
            ],
        );
        self::assertSame('1', $fractions->result('a', 'twa:wood')->answer(Answer::Between)?->full());
        self::assertStringContainsString('of another fraction', implode(' ', $fractions->result('a', 'twa:wood')->beside->notes));
    }

    /** FC-B4: half of the day not sampled leaves a limit between the two takings undecided, and settles one outside of them. */
    public function testUnsampledTimeIsTakenBothWays(): void
    {
        $half = static fn (string $limit, string $to = '12:00'): AirScene => self::limit(
            self::sampled(self::scene(), 'a', '08:00', $to, $to === '12:00' ? '960' : '1860', ['shiftMinutes' => 480]),
            'twa:wood',
            $limit,
        );
        foreach (['1.5' => Robustness::Undecided, '2.1' => Robustness::Robust, '0.9' => Robustness::Robust] as $limit => $robustness) {
            self::assertSame($robustness, self::outcome($half($limit)->result('a', 'twa:wood'))->robustness, $limit);
        }
        self::assertSame(Verdict::Qualified, $half('5')->assess('a')->verdictOn($half('5')->result('a', 'twa:wood')));
        self::assertSame(
            Verdict::Valid,
            $half('5', '15:45')->assess('a')->verdictOn($half('5', '15:45')->result('a', 'twa:wood')),
            'fifteen minutes of eight hours',
        );
        $told = $half('1.5');
        $runs = $told->record['runs'];
        \assert(\is_array($runs) && \is_array($runs[0]));
        $told->record['runs'] = [[...$runs[0], 'restOfDay' => ['was' => 'nothing', 'reason' => 'at a desk', 'by' => 'H-1']]];
        self::assertSame(Robustness::Robust, self::outcome($told->result('a', 'twa:wood'))->robustness, 'a person said what the rest was');
    }

    /** FC-E2 and FC-E1: a mixture takes each substance from its own sampler; a void one leaves a lower bound. */
    public function testMixturesOfSeveralSamplers(): void
    {
        $scene = static function (string $second): AirScene {
            $scene = self::sampled(
                self::sampled(self::scene(), 'a', '08:00', '16:00', '960', ['shiftMinutes' => 480]),
                'b',
                '08:00',
                '16:00',
                '960',
                ['instrument' => 'Q', 'shiftMinutes' => 480],
                'acetone',
            );
            $scene->add('instruments', AirScene::pump('Q'));
            $scene->add('checks', ['id' => 'q1', 'instrument' => 'Q'] + self::checkOf($scene, 0));
            $check = self::checkOf($scene, 1);
            \assert(\is_array($check['flow']));
            $scene->add(
                'checks',
                [
                    ...$check,
                    'id' => 'q2',
                    'instrument' => 'Q',
                    'flow' => [...$check['flow'], 'asFound' => array_fill(0, 3, ['value' => $second, 'provenance' => 'typed'])],
                ],
            );

            return self::limit(
                self::limit(self::limit($scene, 'twa:wood', '2', 'solvents'), 'twa:acetone', '4', 'solvents'),
                'mixture:solvents',
                '1',
            );
        };
        $both = $scene('2.0')->result('a', 'mixture:solvents');
        self::assertSame('0.75', $both->reportedFigure()->full(), '1/2 and 1/4');
        self::assertSame(Robustness::Robust, self::outcome($both)->robustness);
        $void = $scene('1.0')->result('a', 'mixture:solvents');
        self::assertSame('0.5', $void->reportedFigure()->full());
        self::assertNotNull($void->reportedFigure()->known->bound);
        self::assertSame(Robustness::Undecided, self::outcome($void)->robustness);
    }

    /** @return iterable<string, array{string, string, Robustness}> minutes, limit, what can be said of 2 mg/m³ over them */
    public static function shorts(): iterable
    {
        yield 'thirty minutes, within what they bound' => ['30', '3', Robustness::Undecided];
        yield 'thirty minutes, above twice its mean' => ['30', '4', Robustness::Robust];
        yield 'thirty minutes, below its mean' => ['30', '1.9', Robustness::Robust];
        yield 'twenty minutes, above its least' => ['20', '1.4', Robustness::Undecided];
        yield 'twenty minutes, below its least' => ['20', '1.3', Robustness::Robust];
        yield 'sixteen minutes count as fifteen' => ['16', '2.1', Robustness::Robust];
        yield 'ten minutes, between nothing and the same' => ['10', '1.5', Robustness::Undecided];
        yield 'ten minutes, above the same' => ['10', '2.1', Robustness::Robust];
        yield 'ten minutes, below nothing' => ['10', '1.3', Robustness::Robust];
    }

    /** FC-B5: c·t/(15·⌈t/15⌉) to c·t/15; shorter than 14 min the rest as nothing and as the same; 14 to 17 min are 15. */
    #[DataProvider('shorts')]
    public function testShortTermLimits(string $minutes, string $limit, Robustness $robustness): void
    {
        $scene = self::limit(
            self::sampled(
                self::scene(),
                'a',
                '08:00',
                \sprintf('08:%s', $minutes),
                (string) (4 * (int) $minutes),
                ['purpose' => 'short-term'],
            ),
            'stel:wood',
            $limit,
        );
        self::assertSame($robustness, self::outcome($scene->result('a', 'stel:wood'))->robustness);
    }

    /** FC-E5: down to minus quantitation it is less than that; below nothing is stated. FC-B3: a detection above the limit cannot tell. */
    public function testBelowZeroAndBelowDetection(): void
    {
        $day = static fn (string $mass, string $quantitation, string $limit): AirScene => self::limit(
            self::scene()->run('a', '08:00', '16:00', ['method' => null])->found('a', $mass, ['quantitation' => $quantitation]),
            'conc:wood',
            $limit,
        );
        $little = $day('-5', '10', '1')->result('a', 'conc:wood');
        self::assertTrue($little->reportedFigure()->isLessThan());
        self::assertSame(Robustness::Robust, self::outcome($little)->robustness);
        $far = $day('-50', '10', '1');
        self::assertSame(
            [Verdict::Open, Robustness::Undecided],
            [$far->assess('a')->verdict, self::outcome($far->result('a', 'conc:wood'))->robustness],
        );
        $blind = self::outcome($day('5', '2000', '1')->result('a', 'conc:wood'));
        self::assertSame(Robustness::Undecided, $blind->robustness, 'less than 2.08 mg/m³ says nothing of 1');
        self::assertStringContainsString('cannot tell', $blind->statement->words);
    }

    /** FC-E4: "<" back as nothing and "<" blank not taken off are reported; both ends are held against the limit. */
    public function testLessThanOnSectionsAndBlanks(): void
    {
        $day = static fn (string $limit): AirScene => self::limit(
            self::scene()->run(
                'a',
                '08:00',
                '16:00',
                ['method' => null, 'sampler' => 'tube'],
            )->found('a', '960', ['back' => '<48', 'desorption' => '1'], [], '<96'),
            'conc:wood',
            $limit,
        );
        self::assertSame('1', $day('5')->result('a', 'conc:wood')->answer(Answer::Between)?->full());
        self::assertFalse($day('5')->result('a', 'conc:wood')->reportedFigure()->isLessThan());
        foreach ([
            '0.89' => Robustness::Robust,
            '0.91' => Robustness::Undecided,
            '1.04' => Robustness::Undecided,
            '1.06' => Robustness::Robust,
        ] as $limit => $robustness) {
            self::assertSame($robustness, self::outcome($day($limit)->result('a', 'conc:wood'))->robustness, $limit);
        }
    }

    /** FC-E8: a pump that does not make up for it, 20 K warmer: the volume as it stands and 20/293.15 more. */
    public function testOtherAirGivesTwoVolumes(): void
    {
        $scene = self::scene()->run(
            'a',
            '08:00',
            '16:00',
            ['method' => null, 'fieldTemperature' => ['value' => '40', 'unit' => '°C']],
        )->found('a', '960');
        $scene->record['instruments'] = [AirScene::pump('P', ['flowControl' => 'uncompensated'])];
        $also = $scene->result('a', 'volume')->footing->also;
        self::assertCount(1, $also);
        self::assertEqualsWithDelta(960 * 313.15 / 293.15, $also[0][1]->toFloat(), 1e-9);
    }

    /** FC-E7, C-5: of two samples of 4 h at 2 and 1 mg/m³ with 0.16 each, √(4 + 1)/3 of it. */
    public function testErrorsOfPartsAreCombined(): void
    {
        $scene = self::limit(
            self::sampled(
                self::sampled(self::scene(), 'a', '08:00', '12:00', '960', ['method' => 'dust']),
                'b',
                '12:00',
                '16:00',
                '480',
                ['method' => 'dust'],
            ),
            'twa:wood',
            '1.5',
        );
        $confidence = self::outcome($scene->result('a', 'twa:wood'))->confidence;
        self::assertEqualsWithDelta(1 + 0.16 * sqrt(5) / 3, $confidence?->upper->toFloat(), 1e-12);
        $little = self::limit(self::sampled(self::scene(), 'a', '08:00', '16:00', '96', ['method' => 'dust']), 'conc:wood', '5');
        self::assertSame('0', self::outcome($little->result('a', 'conc:wood'))->confidence?->lower->full(), 'nothing lies below zero');
    }

    /** What has no stretches cannot have one left out: that is said. */
    public function testExclusionsOfAPumpAreAFinding(): void
    {
        $assessment = self::sampled(
            self::scene(),
            'a',
            '08:00',
            '16:00',
            '960',
            ['exclusions' => [['from' => Scene::moment('10:00'), 'to' => Scene::moment('10:10'), 'reason' => 'spilt', 'by' => 'T-1']]],
        )->assess('a');
        self::assertContains(
            'removed.not-applied',
            array_map(static fn ($finding): string => $finding->rule->id, $assessment->findings),
        );
    }

    /** FC-G5: a reference that was recalled, and nobody knows by how much it was off, leaves no limit robust. */
    public function testARecalledReferenceLeavesNoLimitRobust(): void
    {
        $day = self::limit(self::sampled(self::scene(), 'a', '08:00', '16:00', '960'), 'conc:wood', '5');
        self::assertSame(Robustness::Robust, self::outcome($day->result('a', 'conc:wood'))->robustness);
        $day->record['references'] = [
            [...AirScene::piston('S'), 'recalls' => [['since' => '2026-01-01T00:00:00+00:00', 'reason' => 'fell']]],
            ...\array_slice(\is_array($day->record['references']) ? $day->record['references'] : [], 1),
        ];
        $outcome = self::outcome($day->result('a', 'conc:wood'));
        self::assertSame(Robustness::Undecided, $outcome->robustness);
        self::assertStringContainsString('S was recalled', $outcome->statement->words);
    }
}
