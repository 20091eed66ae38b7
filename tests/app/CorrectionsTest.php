<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\EvidenceCheck;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Logbook\ProjectionCheck;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\TestWith;

/** What was written wrongly is written rightly in its place: both stay, and whatever rests on it is judged again. */
final class CorrectionsTest extends ApiTestCase
{
    /** A day with two units whose checks somebody typed; the post-check of the one is mistyped. */
    private function day(): void
    {
        $scene = new Scene();
        $units = $scene->record['instruments'];
        \assert(\is_array($units) && \is_array($units[0] ?? null));
        $scene->record['instruments'] = [$units[0], [...$units[0], 'id' => 'E']];
        $this->import($scene
            ->check('k1', '07:30', ['114.0'])
            ->check('k2', '07:40', ['113.6'], ['114.0'], ['instrument' => 'E'])
            ->run('r1', '08:00', '16:00', '90.0')
            ->run('r2', '08:10', '16:00', '91.0', ['instrument' => 'E', 'person' => 'W-02'])
            ->check('k3', '16:30', ['119.3'])
            ->check('k4', '16:40', ['114.0'], [], ['instrument' => 'E']));
    }

    /**
     * @param array<string, string|bool> $changes
     * @param array<string, string>      $more
     *
     * @return array<string, mixed>
     */
    private static function asks(array $changes, array $more = []): array
    {
        return ['changes' => $changes, 'reason' => 'two digits were exchanged', 'how' => 'transcribed', ...$more];
    }

    private function verdict(string $run): string
    {
        return $this->call('GET', '/api/results/'.$run)->string('assessment.verdict');
    }

    private function faultless(): void
    {
        self::assertSame([], $this->service(ProjectionCheck::class)->faults());
        self::assertSame([], [...$this->service(EvidenceCheck::class)->faults()]);
    }

    public function testAMistypedReadingIsCorrectedAfterSigningAndTheSignatureIsMarked(): void
    {
        $this->day();
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/r1');
        self::assertSame('void', $page->string('assessment.verdict'));
        $this->call(
            'POST',
            '/api/results/r1/decision',
            ['kind' => 'void', 'reason' => 'far off', 'digest' => $page->string('digest')],
            201,
        );

        $this->signIn(Role::Technician);
        $check = $this->call('GET', '/api/checks/k3');
        self::assertSame(['closes'], array_column($check->list('runs'), 'how'));
        $paths = array_column($check->list('values'), 'shown', 'path');
        self::assertSame('119.3', $paths['/acoustic/asFound/0/value'] ?? null);
        $new = $this->call('POST', '/api/checks/k3/correction', self::asks(['/acoustic/asFound/0/value' => '113.9']), 201);
        self::assertSame(
            [['label' => 'As found, reading', 'was' => '119.3', 'is' => '113.9']],
            $new->list('inPlaceOf.changes'),
        );
        $number = $new->string('id');

        // Both are shown ever after.
        $old = $this->call('GET', '/api/checks/k3');
        self::assertSame([$number, 'two digits were exchanged'], [$old->string('replacedBy.check'), $old->string('replacedBy.reason')]);
        self::assertSame('119.3', array_column($old->list('values'), 'shown', 'path')['/acoustic/asFound/0/value'] ?? null);
        self::assertSame([], $old->list('runs'));
        $listed = array_column($this->call('GET', '/api/kit/instruments/D')->list('checks'), 'replacedBy', 'id');
        self::assertEquals([$number => null, 'k3' => $number, 'k1' => null], $listed);

        $now = $this->call('GET', '/api/results/r1');
        self::assertSame('valid', $now->string('assessment.verdict'));
        self::assertSame('evidence', $now->string('changedSinceSigning.because'));
        self::assertContains('bracket.corrected', array_column($now->list('assessment.findings'), 'rule'));
        self::assertStringContainsString('T-1 corrected check k3 of D', $this->call('GET', '/api/journal')->text);
        $this->faultless();

        $this->call('POST', '/api/bench/checks/k3/set-aside', ['reason' => 'a slip'], 409);
        // Corrected once, the old one is done with; the new one can be corrected again.
        $this->call('POST', '/api/checks/k3/correction', self::asks(['/acoustic/asFound/0/value' => '113.8']), 409);
        $this->call('POST', "/api/checks/$number/correction", self::asks(['/acoustic/asFound/0/value' => '113.8']), 201);
        self::assertSame('valid', $this->verdict('r1'));
        $this->faultless();
    }

    public function testACheckIsMovedToTheUnitThatItWasMadeOf(): void
    {
        $this->day();
        $this->signIn(Role::Technician);
        $new = $this->call('POST', '/api/checks/k4/correction', self::asks([], ['instrument' => 'D']), 201);
        self::assertSame(['D', 'E'], [$new->string('instrument.id'), $new->string('inPlaceOf.instrument')]);
        // The one that it left waits for a check; the other still rests on its own, which comes first.
        self::assertSame('open', $this->verdict('r2'));
        self::assertSame('void', $this->verdict('r1'));
        self::assertStringContainsString('moved check k4 from E to D', $this->call('GET', '/api/journal')->text);
        $this->faultless();

        // What leaves the house can be taken in again, and comes to the same.
        $files = [];
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use (&$files): void {
            $files[$name] = $content;
        });
        $record = json_decode($files['record.json'] ?? '', true, 512, \JSON_THROW_ON_ERROR);
        \assert(\is_array($record));
        /** @var array<string, mixed> $record */
        $scene = new Scene();
        $scene->record = $record;
        self::assertSame(['open', 'void'], [$scene->assess('r2')->verdict->value, $scene->assess('r1')->verdict->value]);
    }

    public function testWhereTheUnitWasAdjustedOnlyAHygienistCorrects(): void
    {
        $this->day();
        $this->signIn(Role::Technician);
        self::assertStringContainsString('only a hygienist', $this->call('GET', '/api/checks/k2')->string('mayCorrect'));
        $asks = self::asks(['/acoustic/asLeft/0/value' => '114.1']);
        $this->call('POST', '/api/checks/k2/correction', $asks, 403);
        $this->signIn(Role::Hygienist);
        self::assertNull($this->call('GET', '/api/checks/k2')->at('mayCorrect'));
        $new = $this->call('POST', '/api/checks/k2/correction', $asks, 201);
        self::assertSame('valid', $this->verdict('r2'));
        self::assertSame(['opens'], array_column($new->list('runs'), 'how'));
    }

    /** @param array<string, mixed> $wrong */
    #[TestWith([['changes' => ['/acoustic/asFound/0/value' => 'loud'], 'reason' => 'x', 'how' => 'typed'], 'asFound/0/value'])]
    #[TestWith([['changes' => ['/acoustic/asFound/0/value' => '1e999'], 'reason' => 'x', 'how' => 'typed'], 'asFound/0/value'])]
    #[TestWith([['changes' => ['/by' => 'H-1'], 'reason' => 'x', 'how' => 'typed'], '/by'])]
    #[TestWith([['changes' => ['/at' => '2999-01-01T00:00:00Z'], 'reason' => 'x', 'how' => 'typed'], 'future'])]
    #[TestWith([['changes' => ['/at' => 'yesterday'], 'reason' => 'x', 'how' => 'typed'], '/at'])]
    #[TestWith([['changes' => [], 'reason' => 'x', 'how' => 'typed'], 'Nothing of it is another'])]
    #[TestWith([['changes' => ['/acoustic/asFound/0/value' => '114.0'], 'reason' => '', 'how' => 'typed'], '/reason'])]
    #[TestWith([['changes' => ['/acoustic/asFound/0/value' => '114.0'], 'reason' => 'x', 'how' => 'guessed'], '/how'])]
    #[TestWith([['changes' => ['/acoustic/asFound/0/value' => '114.0'], 'reason' => 'x', 'how' => 'stand-in'], '/how'])]
    #[TestWith([['changes' => [], 'instrument' => 'Z', 'reason' => 'x', 'how' => 'typed'], '/instrument'])]
    #[TestWith([['changes' => ['/reference' => 'Z'], 'reason' => 'x', 'how' => 'typed'], 'not in the kit'])]
    public function testWhatIsWrongIsToldAndNothingIsChanged(array $wrong, string $said): void
    {
        $this->day();
        $this->signIn(Role::Technician);
        $answer = $this->call('POST', '/api/checks/k3/correction', $wrong, 422);
        self::assertStringContainsString($said, str_replace('\/', '/', $answer->text));
        self::assertNull($this->call('GET', '/api/checks/k3')->at('replacedBy'));
    }

    public function testARunIsCorrectedMovedAndToldOnItsResult(): void
    {
        $this->day();
        $this->signIn(Role::Technician);
        $this->verdict('r1');
        $this->call('POST', '/api/runs/r1/facts', ['person' => 'W-07', 'start' => Scene::moment('08:30')], 422);
        $run = $this->call(
            'POST',
            '/api/runs/r1/facts',
            ['person' => 'W-07', 'start' => Scene::moment('08:30'), 'place' => 'hall', 'reason' => 'the sheets were mixed up'],
            201,
        );
        self::assertSame(['W-07', 'hall'], [$run->string('person'), $run->string('place')]);
        self::assertSame(['person', 'start'], array_column($run->list('corrections'), 'what'));
        $said = array_column($this->call('GET', '/api/results/r1')->list('assessment.findings'), 'seen', 'rule');
        self::assertArrayHasKey('run.corrected', $said);
        $row = array_column($this->call('GET', '/api/results')->list('rows'), 'person', 'run');
        self::assertSame('W-07', $row['r1'] ?? null);
        $this->faultless();

        // It was the other unit, which has a run at that time; withdrawn, that one is out of the way.
        $this->call('POST', '/api/runs/r1/facts', ['instrument' => 'E', 'reason' => 'the other unit'], 422);
        $this->call('POST', '/api/runs/r1/facts', ['instrument' => 'Z', 'reason' => 'the other unit'], 422);
        $this->call('POST', '/api/runs/r2/withdrawal', ['reason' => 'nobody wore it'], 403);
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/runs/r2/withdrawal', ['reason' => ''], 422);
        $this->call('POST', '/api/runs/r2/withdrawal', ['reason' => 'nobody wore it'], 201);
        self::assertSame('nobody wore it', $this->call('GET', '/api/runs/r2')->string('withdrawn.reason'));
        $moved = $this->call('POST', '/api/runs/r1/facts', ['instrument' => 'E', 'reason' => 'the other unit'], 201);
        self::assertSame('E', $moved->string('instrument'));
        // There the checks are good.
        self::assertSame('valid', $this->verdict('r1'));
        $this->faultless();

        $ledger = $this->call('GET', '/api/results?campaign=c');
        self::assertSame(['r1'], array_column($ledger->list('rows'), 'run'));
        self::assertSame(['r2'], array_column($ledger->list('withdrawn'), 'run'));
        self::assertStringContainsString('withdrawn', $this->call('GET', '/api/results.csv?campaign=c')->text);
        $this->call('GET', '/api/results/r2', status: 404);
        $this->call('POST', '/api/runs/r2/facts', ['place' => 'yard'], 409);
        $this->call('POST', '/api/runs/r2/withdrawal', ['reason' => 'again'], 409);
        self::assertStringContainsString('withdrew run r2: nobody wore it', $this->call('GET', '/api/journal')->text);
    }

    /** A declaration may name a check that was corrected since: it does not count, that is said, and the run can be noted on. */
    public function testMoreIsNotedOfARunWhoseDeclarationNamesACorrectedCheck(): void
    {
        $this->import((new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->check('k2', '12:00', ['114.0'])
            ->run('r1', '08:00', '16:00', '90.0', ['declaration' => ['check' => 'k2', 'by' => 'H-1', 'reason' => 'the same work']])
            ->check('k3', '16:30', ['114.0']));
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/checks/k2/correction', self::asks(['/acoustic/asFound/0/value' => '114.1']), 201);
        $this->call('POST', '/api/runs/r1/facts', ['place' => 'yard'], 201);
        $said = array_column($this->call('GET', '/api/results/r1')->list('assessment.findings'), 'seen', 'rule');
        self::assertStringContainsString('It does not count', \is_string($said['bracket.representative-segment'] ?? null)
            ? $said['bracket.representative-segment']
            : '');
        $this->faultless();
    }

    public function testARecordBringsWhatWasCorrectedAndWithdrawn(): void
    {
        $why = [
            'check' => 'k2', 'instrument' => 'D', 'at' => Scene::moment('18:00'), 'by' => 'T-1',
            'reason' => 'mistyped', 'how' => 'transcribed',
        ];
        $this->import((new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '16:00', '90.0')
            ->run('x', '07:50', null, '90.0', ['withdrawn' => ['at' => Scene::moment('07:55'), 'by' => 'T-1', 'reason' => 'a slip']])
            ->check('k2', '16:30', ['119.3'])
            ->check('k3', '16:30', ['113.9'], more: ['inPlaceOf' => $why]));
        $this->signIn(Role::Reader);
        self::assertSame('valid', $this->verdict('r1'));
        self::assertSame('k3', $this->call('GET', '/api/checks/k2')->string('replacedBy.check'));
        self::assertSame(['x'], array_column($this->call('GET', '/api/results')->list('withdrawn'), 'run'));
        self::assertSame('Readers look on.', $this->call('GET', '/api/checks/k3')->string('mayCorrect'));
        $this->faultless();
    }

    /** What was begun a minute ago on the wrong unit, and brought nothing home, whoever began it takes back. */
    public function testARunBegunInErrorIsTakenBackByWhoBeganIt(): void
    {
        $this->importRecord(self::certifiedLately((new Scene())->record));
        $this->signIn(Role::Technician);
        $started = $this->call('POST', '/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'start' => (new \DateTimeImmutable('-5 minutes'))->format(\DATE_ATOM),
            'person' => 'W-01', 'task' => 'sawing', 'despite' => 'a trial',
        ], 201)->string('id');
        $this->call('POST', "/api/runs/$started/withdrawal", ['reason' => 'the wrong unit'], 201);
        self::assertSame([], $this->call('GET', '/api/results')->list('rows'));
        // The unit is free again at once.
        $this->call('POST', '/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'start' => (new \DateTimeImmutable('-4 minutes'))->format(\DATE_ATOM),
            'person' => 'W-02', 'task' => 'planing', 'despite' => 'a trial',
        ], 201);
        $this->faultless();
    }
}
