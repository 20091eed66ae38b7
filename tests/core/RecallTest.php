<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * FC-G5: a reference was wrong. Known by how much: taken out wholly, the straight line beside. Not known: nothing that leans
 * on it is robust.
 */
final class RecallTest extends TestCase
{
    /**
     * @param array<string, string> $more
     *
     * @return array<string, string>
     */
    private static function recall(?string $error, array $more = []): array
    {
        return [
            'since' => '2026-03-01T00:00:00+00:00', 'reason' => 'back from its laboratory',
            ...($error === null ? [] : ['error' => $error]), ...$more,
        ];
    }

    /** @param array<string, string> $recall of the calibrator; empty: none */
    private static function noise(array $recall, string $limit = '85', string $post = '113.8'): Scene
    {
        $scene = (new Scene())
            ->check('k1', '07:30', ['113.6'], ['114.0'])
            ->run('r', '08:00', '16:00', '90.0')
            ->check('k2', '16:30', [$post]);
        $scene->record['references'] = [[...Scene::calibrator('A', '114.0', '0.2'), 'recalls' => $recall === [] ? [] : [$recall]]];
        $scene->record['campaign'] = ['code' => 'c', 'title' => 'c', 'limits' => [[
            'id' => 'l', 'title' => 'limit', 'quantity' => 'laeq', 'value' => $limit, 'unit' => 'dB(A)', 'comparator' => '>',
            'source' => 'house', 'mark' => 'own',
        ]]];

        return $scene;
    }

    /** @return array<string, string|null> by kind of alteration the number that would stand otherwise */
    private static function otherwise(Result $result): array
    {
        $numbers = [];
        foreach ($result->footing->altered as $one) {
            $numbers[$one->by->kind->value] = $one->otherwise?->shown();
        }

        return $numbers;
    }

    /** A calibrator that is truly 0.3 dB louder: L + 0.3, the drift alone (common practice). */
    public function testTheWholeErrorOfACalibratorMovesTheLevelAndLeavesTheDriftAlone(): void
    {
        $without = Scene::result(self::noise([])->assess('r'), 'laeq');
        $assessment = self::noise(self::recall('0.3'))->assess('r');
        $result = Scene::result($assessment, 'laeq');
        self::assertSame(['90.0', '90.3'], [$without->reportedFigure()->shown(), $result->reportedFigure()->shown()]);
        self::assertSame(Answer::Indicated, $result->reportedAnswer());
        foreach ([Answer::Pre, Answer::Post, Answer::Between] as $answer) {
            $right = $result->answer($answer);
            $certified = $without->answer($answer);
            self::assertTrue($right !== null && $certified !== null);
            self::assertEqualsWithDelta(0.3, $right->toFloat() - $certified->toFloat(), 1e-9, $answer->value);
        }
        self::assertSame('-0.20', $assessment->largestDrift()?->shown());
        self::assertSame(Verdict::Corrected, $assessment->verdict);
        self::assertSame(['by rule' => '90.0'], self::otherwise($result), 'the number as certified; nobody said when it was found');
        self::assertSame(Robustness::Robust, $result->outcomes[0]->robustness);
    }

    public function testTheStraightLineStandsBesideAndSettlesALimitOnlyWhereItAgrees(): void
    {
        // The run is of 2 March: 32.5 h after 1 March of 61 days, about 2 % of the error.
        $found = ['until' => '2026-05-01T00:00:00+00:00'];
        $far = Scene::result(self::noise(self::recall('0.4', $found))->assess('r'), 'laeq');
        self::assertSame(['by rule' => '90.0', 'assumed' => '90.0'], self::otherwise($far));
        self::assertEqualsWithDelta(90.0 + 0.4 * 31.5 / (61 * 24), $far->footing->altered[1]->otherwise?->toFloat(), 1e-6);
        self::assertSame(AlterationKind::Assumed, $far->footing->altered[1]->by->kind);
        self::assertSame(Robustness::Robust, $far->outcomes[0]->robustness);
        $near = Scene::result(self::noise(self::recall('0.4', $found), '90.25', '114.0')->assess('r'), 'laeq')->outcomes[0];
        self::assertTrue($near->crossed);
        self::assertSame(Robustness::Undecided, $near->robustness);
        self::assertStringContainsString('grown evenly it is 90.0', $near->statement->words);
        // The other way round: robust where even the whole error keeps it on that side.
        self::assertSame(
            Robustness::Robust,
            Scene::result(self::noise(self::recall('0.4', $found), '90.45', '114.0')->assess('r'), 'laeq')->outcomes[0]->robustness,
        );
    }

    /** Made in error and taken back: both words stay, and the numbers are as if nobody had said anything. */
    public function testWhatWasTakenBackIsOutOfTheSum(): void
    {
        $scene = self::noise(self::recall('0.3'));
        $references = $scene->record['references'];
        self::assertIsArray($references);
        self::assertIsArray($references[0]);
        $references[0]['recalls'] = [self::recall('0.3'), ['takesBack' => 0, 'reason' => 'another one was meant']];
        $scene->record['references'] = $references;
        self::assertSame('90.0', Scene::result($scene->assess('r'), 'laeq')->reportedFigure()->shown());
        self::assertSame(Verdict::Valid, $scene->assess('r')->verdict);
        $references[0]['recalls'] = [['takesBack' => 0, 'reason' => 'of nothing']];
        $scene->record['references'] = $references;
        $this->expectException(InvalidRecord::class);
        $scene->assess('r');
    }

    public function testHowFarIsNotKnown(): void
    {
        $assessment = self::noise(self::recall(null))->assess('r');
        $result = Scene::result($assessment, 'laeq');
        self::assertSame('90.0', $result->reportedFigure()->shown());
        self::assertSame(Robustness::Undecided, $result->outcomes[0]->robustness);
        self::assertSame([], $result->footing->altered);
        self::assertSame(Severity::Qualified, self::severity($assessment->findings));
    }

    public function testWhatItDoesNotCoverStands(): void
    {
        foreach ([['since' => '2026-03-02T16:31:00+00:00'], ['until' => '2026-03-02T07:29:00+00:00']] as $window) {
            $assessment = self::noise(self::recall('0.3', $window))->assess('r');
            self::assertSame(Verdict::Valid, $assessment->verdict);
            self::assertSame('90.0', Scene::result($assessment, 'laeq')->reportedFigure()->shown());
        }
        // Between its checks: only the check after leans on it. Its drift was the calibrator's, the level stays.
        $half = self::noise(self::recall('-0.2', ['since' => '2026-03-02T12:00:00+00:00']))->assess('r');
        self::assertSame('0.00', $half->largestDrift()?->shown());
        self::assertSame('90.0', Scene::result($half, 'laeq')->reportedFigure()->shown());
        self::assertSame(Verdict::Corrected, $half->verdict);
    }

    /** Whoever set the unit by it did it right: left 2 dB off is no fault of the unit. Left off by itself it still is. */
    public function testAnErrorThatIsTakenOutIsNoUnitLeftOff(): void
    {
        self::assertSame(Verdict::Corrected, self::noise(self::recall('2.0'), post: '114.0')->assess('r')->verdict);
        $scene = self::noise(self::recall('0.3'), post: '112.2');
        $checks = $scene->record['checks'];
        self::assertIsArray($checks);
        self::assertIsArray($checks[0]);
        $scene->record['checks'] = [];
        $scene->check('k1', '07:30', ['112.2'])->check('k2', '16:30', ['112.2']);
        self::assertSame(Verdict::Void, $scene->assess('r')->verdict);
    }

    /** A cylinder labelled 50 that truly held 45: what the unit called 50 was 45. */
    public function testTheTrueLabelReplacesTheSpan(): void
    {
        $scene = (new GasScene())->check('k1', '07:30', left: ['O2' => '18.0', 'LEL' => '50', 'CO' => '50', 'H2S' => '25'])->run(
            'r',
            '08:00',
            '10:00',
            ['CO' => GasScene::steady('20', 120), 'O2' => GasScene::steady('20.9', 120)],
        )->check('k2', '10:30');
        $references = $scene->record['references'];
        self::assertIsArray($references);
        self::assertIsArray($references[0]);
        $plain = Scene::result($scene->assess(), 'stel-ppm:carbon-monoxide');
        $references[0]['recalls'] = [self::recall('-10')];
        $scene->record['references'] = $references;
        $assessment = $scene->assess();
        $result = Scene::result($assessment, 'stel-ppm:carbon-monoxide');
        self::assertSame(
            ['20', '18'],
            array_map(static fn (Result $one): string => (string) round($one->reportedFigure()->toFloat(), 6), [$plain, $result]),
        );
        self::assertSame(Verdict::Corrected, $assessment->verdictOn($result));
        self::assertSame(
            ['by rule' => '20'],
            array_map(static fn (?string $shown): string => (string) (float) $shown, self::otherwise($result)),
        );
    }

    /** A standard that told 2 % too little: every flow and volume is 2 % more, the concentration 2 % less. */
    public function testFlowTimesOneAndTheError(): void
    {
        $scene = (new AirScene())
            ->check('k1', '07:30', ['2.000'])
            ->run('r', '08:00', '16:00')
            ->check('k2', '16:30', ['1.960'])
            ->found('r', '960');
        $volume = $scene->result('r', 'volume');
        $mass = $scene->result('r', 'conc:wood');
        $scene->record['references'] = [
            [...AirScene::piston('S'), 'recalls' => [self::recall('2.0', ['until' => '2026-03-03T00:00:00+00:00'])]],
            ['id' => 'T', 'kind' => 'thermometer', 'model' => 'm', 'certificates' => [AirScene::certificate('T')]],
            ['id' => 'B', 'kind' => 'barometer', 'model' => 'm', 'certificates' => [AirScene::certificate('B')]],
        ];
        $right = $scene->result('r', 'volume');
        self::assertEqualsWithDelta(1.02, $right->reportedFigure()->toFloat() / $volume->reportedFigure()->toFloat(), 1e-9);
        self::assertEqualsWithDelta(
            1 / 1.02,
            $scene->result('r', 'conc:wood')->reportedFigure()->toFloat() / $mass->reportedFigure()->toFloat(),
            1e-9,
        );
        self::assertSame('-2.00', $scene->assess('r')->largestDrift()?->shown(), 'a common error leaves the drift alone');
        self::assertSame($volume->reportedFigure()->shown(), self::otherwise($right)['by rule'] ?? '');
        // 31.5 and 40.5 h of 48: two thirds to five sixths of the error.
        $evenly = $right->footing->altered[1]->otherwise?->toFloat() ?? 0.0;
        self::assertTrue($volume->reportedFigure()->toFloat() < $evenly && $evenly < $right->reportedFigure()->toFloat());
        self::assertSame(Verdict::Corrected, $scene->assess('r')->verdict);
    }

    /** What is made of a sample has the other numbers too, and a limit between them is settled by neither. */
    public function testAComposedResultIsSettledOnlyWhereBothTakingsAgree(): void
    {
        $scene = static function (string $limit): Result {
            $scene = (new AirScene())
                ->check('k1', '07:30', ['2.000'])
                ->run('r', '08:00', '16:00')
                ->check('k2', '16:30', ['2.000'])
                ->found('r', '960');
            $references = $scene->record['references'];
            self::assertIsArray($references);
            $references[0] = [...AirScene::piston('S'), 'recalls' => [self::recall('4.0', ['until' => '2026-03-03T00:00:00+00:00'])]];
            $scene->record['references'] = $references;
            $scene->record['campaign'] = [...Scene::fields($scene->record['campaign'])->data(), 'limits' => [[
                'id' => 'l', 'title' => 'limit', 'quantity' => 'twa:wood', 'value' => $limit, 'unit' => 'mg/m³', 'comparator' => '>',
                'source' => 'house', 'mark' => 'own',
            ]]];

            return $scene->result('r', 'twa:wood');
        };
        $result = $scene('9');
        $whole = $result->reportedFigure()->toFloat();
        $certified = $result->footing->altered[0]->otherwise?->toFloat() ?? 0.0;
        $evenly = $result->footing->altered[1]->otherwise?->toFloat() ?? 0.0;
        self::assertEqualsWithDelta(1.04, $certified / $whole, 1e-9);
        self::assertTrue($whole < $evenly && $evenly < $certified);
        $between = number_format(($whole + $evenly) / 2, 4, '.', '');
        self::assertSame(Robustness::Undecided, $scene($between)->outcomes[0]->robustness);
        self::assertStringContainsString('grown evenly', $scene($between)->outcomes[0]->statement->words);
        foreach ([0.9 * $whole, 1.1 * $certified] as $limit) {
            self::assertSame(
                Robustness::Robust,
                $scene(number_format($limit, 4, '.', ''))->outcomes[0]->robustness,
                $scene(number_format($limit, 4, '.', ''))->outcomes[0]->statement->words,
            );
        }
    }

    #[TestWith([1])]
    #[TestWith([2])]
    public function testAThermometerHasNothingThatCouldBeTakenOut(int $place): void
    {
        $scene = (new AirScene())->check('k1', '07:30', ['2.000']);
        $references = $scene->record['references'];
        self::assertIsArray($references);
        self::assertIsArray($references[$place]);
        $references[$place]['recalls'] = [self::recall('0.5')];
        $scene->record['references'] = $references;
        try {
            $scene->read();
            self::fail('taken');
        } catch (InvalidRecord $problem) {
            self::assertSame("/references/$place/recalls/0/error", $problem->path);
        }
    }

    /** @param list<\Footnote\Core\Judgement\Finding> $findings */
    private static function severity(array $findings): ?Severity
    {
        foreach ($findings as $finding) {
            if ($finding->rule->id === 'reference.recalled') {
                return $finding->severity;
            }
        }

        return null;
    }
}
