<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\InPlaceOf;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Families;
use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Record\CheckCorrection;
use Footnote\Core\Record\InvalidRecord;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * Nothing is deleted; a correction supersedes and says why (judgement). The number without it stands beside (FC-A1), and where only
 * one person's word lets a result stand, that is said.
 */
final class CorrectionTest extends TestCase
{
    /** @return array<string, string> */
    private static function inPlaceOf(string $check, string $how, string $instrument = 'D'): array
    {
        return [
            'check' => $check, 'instrument' => $instrument, 'at' => '2026-11-03T18:00:00+00:00', 'by' => 'T-1',
            'reason' => 'two digits were exchanged', 'how' => $how,
        ];
    }

    /** A post-check of 119.3 dB, which was 113.9: a mistyped digit. */
    private static function mistyped(?string $how): Scene
    {
        $scene = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00', '90.0')
            ->check('k2', '16:30', ['119.3']);

        return $how === null ? $scene : $scene->check('k3', '16:30', ['113.9'], more: ['inPlaceOf' => self::inPlaceOf('k2', $how)]);
    }

    private static function finding(Assessment $assessment, string $rule): ?string
    {
        foreach ($assessment->findings as $finding) {
            if ($finding->rule->id === $rule) {
                return $finding->seen;
            }
        }

        return null;
    }

    public function testAMistypedReadingThatASheetBearsOutStandsAndBothAreTold(): void
    {
        self::assertSame(Verdict::Void, self::mistyped(null)->assess('r')->verdict);
        $assessment = self::mistyped('transcribed')->assess('r');
        self::assertSame(Verdict::Valid, $assessment->verdict);
        self::assertSame('k3', $assessment->bracket->post?->id);
        $said = (string) self::finding($assessment, 'bracket.corrected');
        self::assertStringContainsString('Check k3 stands in the place of k2', $said);
        self::assertStringContainsString('two digits were exchanged', $said);
        self::assertStringContainsString('As first written the run comes to void', $said);
        $altered = Scene::result($assessment, 'laeq')->footing->altered;
        self::assertSame([AlterationKind::Corrected], array_map(static fn ($one): AlterationKind => $one->by->kind, $altered));
        self::assertNull(self::finding($assessment, 'bracket.correction-decides'));
    }

    /** The dangerous day: a failed post-check is "corrected" from memory until it passes. */
    #[TestWith(['estimated', 'standard', 'qualified'])]
    #[TestWith(['typed', 'standard', 'qualified'])]
    #[TestWith(['estimated', 'cautious', 'qualified'])]
    #[TestWith(['estimated', 'survey', 'valid'])]
    #[TestWith(['read back', 'standard', 'valid'])]
    #[TestWith(['photographed', 'standard', 'valid'])]
    #[TestWith(['from the unit\'s file', 'cautious', 'valid'])]
    public function testWhereOnlyAWordLetsItStandItIsQualified(string $how, string $policy, string $verdict): void
    {
        self::assertSame($verdict, self::mistyped($how)->assess('r', $policy)->verdict->value);
    }

    /** An ordinary day: 113.8 was 113.9. Nothing hangs on it, so that a word is enough. */
    public function testACorrectionThatDecidesNothingIsANote(): void
    {
        $assessment = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00', '90.0')
            ->check('k2', '16:30', ['113.8'])
            ->check('k3', '16:30', ['113.9'], more: ['inPlaceOf' => self::inPlaceOf('k2', 'estimated')])
            ->assess('r');
        self::assertSame(Verdict::Valid, $assessment->verdict);
        self::assertNotNull(self::finding($assessment, 'bracket.corrected'));
        self::assertNull(self::finding($assessment, 'bracket.correction-decides'));
    }

    /** A correction that makes a result worse is told, and needs nobody to bear it out. */
    public function testACorrectionForTheWorseIsANoteBesideWhatItBrings(): void
    {
        $assessment = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00', '90.0')
            ->check('k2', '16:30', ['113.9'])
            ->check('k3', '16:30', ['119.3'], more: ['inPlaceOf' => self::inPlaceOf('k2', 'estimated')])
            ->assess('r');
        self::assertSame(Verdict::Void, $assessment->verdict);
        self::assertNull(self::finding($assessment, 'bracket.correction-decides'));
    }

    /** A limit is crossed as first written, and not any more: only a word says so. */
    public function testAStatementAboutALimitThatOnlyAWordTurnsIsQualified(): void
    {
        $scene = (new Scene())
            ->check('k1', '07:30', ['113.4'])
            ->run('r', '08:00', '16:00', '85.2')
            ->check('k2', '16:30', ['113.4'])
            ->check('k3', '07:30', ['114.0'], more: ['inPlaceOf' => self::inPlaceOf('k1', 'estimated')])
            ->check('k4', '16:30', ['114.0'], more: ['inPlaceOf' => self::inPlaceOf('k2', 'estimated')]);
        $scene->record['campaign'] = ['code' => 'c', 'title' => 'c', 'limits' => [[
            'id' => 'l', 'title' => 'limit', 'quantity' => 'laeq', 'value' => '85.5', 'unit' => 'dB(A)', 'comparator' => '>',
            'source' => 'house', 'mark' => 'own',
        ]]];
        $assessment = $scene->assess('r');
        self::assertNotNull(self::finding($assessment, 'bracket.correction-decides'));
        self::assertCount(2, array_filter($assessment->findings, static fn ($one): bool => $one->rule->id === 'bracket.corrected'));
    }

    /** A check on the wrong unit closes nothing there, and closes where it was made. */
    public function testAMovedCheckIsToldOnBothUnits(): void
    {
        $scene = new Scene();
        $units = $scene->record['instruments'];
        \assert(\is_array($units) && \is_array($units[0] ?? null));
        $unit = $units[0];
        $scene->record['instruments'] = [$unit, [...$unit, 'id' => 'v']];
        $scene->check('k1', '07:30', ['114.0'])
            ->check('k2', '07:31', ['114.1'], more: ['instrument' => 'v'])
            ->run('r', '08:00', '16:00', '90.0')
            ->run('s', '08:00', '16:00', '91.0', ['instrument' => 'v', 'person' => 'W-02'])
            ->check('k3', '16:30', ['113.9'], more: ['instrument' => 'v'])
            ->check('k4', '16:31', ['114.0'], more: ['instrument' => 'v'])
            ->check('k5', '16:30', ['113.9'], more: ['inPlaceOf' => self::inPlaceOf('k3', 'photographed', 'v')]);
        $from = $scene->assess('s');
        $to = $scene->assess('r');
        self::assertSame([Verdict::Valid, Verdict::Valid], [$from->verdict, $to->verdict]);
        self::assertSame(['k5', 'k4'], [$to->bracket->post?->id, $from->bracket->post?->id]);
        self::assertStringContainsString('was written for another instrument, as k3', (string) self::finding($to, 'bracket.corrected'));
        self::assertStringContainsString('moved to D, as k5', (string) self::finding($from, 'bracket.corrected'));
        // Without a witness the one that it closed is qualified; the other rests on its own check.
        $scene->record['checks'] = array_map(
            static fn (mixed $check): mixed => \is_array($check) && isset($check['inPlaceOf'])
                ? [...$check, 'inPlaceOf' => self::inPlaceOf('k3', 'estimated', 'v')]
                : $check,
            \is_array($scene->record['checks']) ? $scene->record['checks'] : [],
        );
        self::assertSame(Verdict::Qualified, $scene->assess('r')->verdict);
        self::assertSame(Verdict::Valid, $scene->assess('s')->verdict);
    }

    /** Of a chain the last counts; as first written is the first. */
    public function testACorrectionIsCorrectedAgain(): void
    {
        $scene = self::mistyped('transcribed');
        $scene->check('k6', '16:30', ['114.0'], more: ['inPlaceOf' => self::inPlaceOf('k3', 'read back')]);
        $assessment = $scene->assess('r');
        self::assertSame('k6', $assessment->bracket->post?->id);
        self::assertStringContainsString('comes to void', (string) self::finding($assessment, 'bracket.corrected'));
    }

    /** @return iterable<string, array{array<string, array<string, string>>, string}> */
    public static function impossible(): iterable
    {
        yield 'none of that name' => [['k3' => self::inPlaceOf('k9', 'typed')], '"k9" is not among the checks'];
        yield 'itself' => [['k3' => self::inPlaceOf('k3', 'typed')], 'comes round to itself'];
        yield 'round' => [['k2' => self::inPlaceOf('k3', 'typed'), 'k3' => self::inPlaceOf('k2', 'typed')], 'comes round to itself'];
        yield 'two of one' => [['k1' => self::inPlaceOf('k2', 'typed'), 'k3' => self::inPlaceOf('k2', 'typed')], 'already'];
        yield 'of another unit' => [['k3' => self::inPlaceOf('k2', 'typed', 'v')], 'was written for D'];
        yield 'no grade' => [['k3' => self::inPlaceOf('k2', 'guessed')], 'is not one of'];
    }

    /** @param array<string, array<string, string>> $corrections by the check that says so */
    #[DataProvider('impossible')]
    public function testWhatCannotBeIsRefused(array $corrections, string $said): void
    {
        $scene = (new Scene())->run('r', '08:00', '16:00', '90.0');
        foreach (['k1' => '07:30', 'k2' => '16:30', 'k3' => '16:40'] as $check => $at) {
            $more = isset($corrections[$check]) ? ['inPlaceOf' => $corrections[$check]] : [];
            $scene->check($check, $at, ['114.0'], more: $more);
        }
        $this->expectException(InvalidRecord::class);
        $this->expectExceptionMessageMatches('/'.preg_quote($said, '/').'/');
        $scene->assess('r');
    }

    /** A unit without corrections is told as it was: nothing of this costs or says anything. */
    public function testWithoutACorrectionThereIsNothingToSay(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        self::assertNull(self::finding($scene->assess('r'), 'bracket.corrected'));
        self::assertNull($scene->read()->timelines['D']->asWritten());
    }

    public function testOnlyWhatStandsInACheckIsCorrectedAndAReadingSaysHowItIsKnown(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0', '113.0']);
        $checks = $scene->record['checks'];
        \assert(\is_array($checks));
        /** @var array<string, mixed> $record */
        $record = $checks[0];
        $correction = new CheckCorrection(Families::formats());
        $why = new InPlaceOf('k1', 'D', new \DateTimeImmutable('2026-11-03T18:00:00Z'), 'T-1', 'exchanged', Provenance::Transcribed);
        $written = $correction->write($record, 'noise-dosimeter', ['/acoustic/asFound/1/value' => '114.1'], 'k2', 'D', $why);
        self::assertSame(
            [['label' => 'As found, 2 of 2, reading', 'was' => '113.0', 'is' => '114.1']],
            $correction->changes($record, $written, 'noise-dosimeter'),
        );
        $rows = $written['acoustic'];
        self::assertIsArray($rows);
        self::assertSame([
            ['value' => '114.0', 'provenance' => 'typed'],
            ['value' => '114.1', 'provenance' => 'transcribed'],
        ], $rows['asFound'] ?? null);
        $this->expectException(InvalidRecord::class);
        $correction->write($record, 'noise-dosimeter', ['/by' => 'H-1'], 'k2', 'D', $why);
    }

    /** What was first written of a run stands beside it. */
    public function testACorrectedRunTellsBoth(): void
    {
        $corrections = [[
            'what' => 'start', 'was' => '2026-11-03T06:00:00+00:00', 'is' => '2026-11-03T08:00:00+00:00', 'by' => 'T-1',
            'at' => '2026-11-03T18:00:00+00:00', 'reason' => 'put on later',
        ]];
        $scene = static fn (): Scene => (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00', '90.0', ['corrections' => $corrections])
            ->check('k2', '16:30', ['114.0']);
        $said = (string) self::finding($scene()->assess('r'), 'run.corrected');
        self::assertSame(
            'Start is 3 Nov 2026 08:00; 3 Nov 2026 06:00 was written. Corrected by T-1 on 3 Nov 2026 18:00: put on later.',
            $said,
        );
        self::assertSame(Verdict::Valid, $scene()->assess('r')->verdict);
        self::assertSame(Verdict::Qualified, $scene()->assess('r', 'cautious')->verdict);
    }

    /** A run that was begun in error is of no unit: another may lie at its time, and it is on record. */
    public function testAWithdrawnRunLeavesItsUnitFree(): void
    {
        $withdrawn = ['at' => '2026-11-03T09:00:00+00:00', 'by' => 'T-1', 'reason' => 'the wrong unit was chosen'];
        $campaign = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r', '08:00', '16:00', '90.0')
            ->run('x', '08:05', null, '90.0', ['withdrawn' => $withdrawn])
            ->check('k2', '16:30', ['114.0'])
            ->read();
        self::assertSame(['r'], array_map(static fn ($run): string => $run->id, $campaign->timelines['D']->runs()));
        self::assertSame('the wrong unit was chosen', $campaign->withdrawn()[0]->notes->withdrawn?->reason);
    }
}
