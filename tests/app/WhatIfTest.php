<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\App\Recall\AskedWhatIf;
use Footnote\App\Storage\Cells;
use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\DataProvider;

/** What a recall would change is what it does change, and until somebody makes it nothing is otherwise. */
final class WhatIfTest extends ApiTestCase
{
    private const SINCE = '2026-01-01T00:00:00+00:00';
    private const FOUND = '2026-05-01T00:00:00+00:00';

    /** @return array<string, string|null> */
    private static function recall(?string $error, string $since = self::SINCE): array
    {
        return ['since' => $since, 'until' => self::FOUND, 'reason' => 'back from its laboratory', 'error' => $error];
    }

    /** Two days of one unit on two calibrators: only what rests on the first one leans on it. */
    private static function days(): Scene
    {
        return (new Scene())
            ->check('k1', '07:30', ['113.6'], ['114.0'])
            ->run('r1', '08:00', '12:00', '86.0', ['shiftMinutes' => 480])
            ->check('k2', '12:10', ['113.9'])
            ->run('r2', '12:20', '16:00', '84.8', ['person' => 'W-02', 'shiftMinutes' => 480])
            ->check('k3', '16:10', ['113.9'], [], ['reference' => 'B'])
            ->run('r3', '16:20', '17:00', '91.1', ['person' => 'W-03'])
            ->check('k4', '17:10', ['113.9'], [], ['reference' => 'B']);
    }

    /** @return iterable<string, array{array<string, mixed>, string, string, string}> record, reference, error, run */
    public static function wrong(): iterable
    {
        yield 'a calibrator 0.3 dB louder' => [self::days()->record, 'A', '0.3', 'r1'];
        yield 'a calibrator 0.3 dB softer' => [self::days()->record, 'A', '-0.3', 'r2'];
        $channels = [['channel' => 'CO', 'mean' => '30', 'peak' => '50'], ['channel' => 'PID', 'mean' => '20', 'peak' => '30']];
        $gas = (new GasScene())->check('k1', '07:45')->run('r', '08:00', '10:00', [], $channels)->check('k2', '12:10');
        $cylinder = Cells::text(Cells::rows($gas->record, 'checks')[0], 'reference');
        yield 'a cylinder 5 % below its label' => [$gas->record, $cylinder, '-5', 'r'];
        $air = (new AirScene())->check('k1', '07:30', ['2.000'])->run('r', '08:00', '16:00')->check('k2', '16:30', ['1.960'])
            ->found('r', '960');
        yield 'a flow standard that told 2 % too little' => [$air->record, 'S', '2.0', 'r'];
    }

    /** @param array<string, string|null> $recall */
    private function asked(string $reference, array $recall): Answer
    {
        $id = $this->call('POST', "/api/kit/references/$reference/what-if", $recall, 202)->string('asked.id');
        self::assertSame('waiting', $this->call('GET', '/api/recalls/'.$id)->string('state.state'));
        $this->service(AskedWhatIf::class)->run($id);
        $told = $this->call('GET', '/api/recalls/'.$id);
        self::assertSame('done', $told->string('state.state'));

        return $told;
    }

    /** @return array<string, array<string, mixed>> by = and the run */
    private function runs(Answer $told): array
    {
        $runs = [];
        foreach ($this->call('GET', '/api/recalls/'.$told->string('asked.id').'/runs')->list('runs') as $run) {
            self::assertIsArray($run);
            /** @var array<string, mixed> $run */
            $runs['='.Cells::text($run, 'run')] = $run;
        }

        return $runs;
    }

    /** @param array<string, mixed> $record */
    #[DataProvider('wrong')]
    public function testWhatIsToldIsWhatComes(array $record, string $reference, string $error, string $run): void
    {
        $this->importRecord($record);
        $this->signIn(Role::Steward);
        $before = $this->call('GET', '/api/results/'.$run);
        $entries = $this->service(Journal::class)->verify()['entries'];
        $kept = $this->service(Connection::class)->fetchAllAssociative('SELECT run_id, digest FROM worked_run');
        $told = $this->runs($this->asked($reference, self::recall($error)));
        self::assertSame($before->text, $this->call('GET', '/api/results/'.$run)->text, 'nothing is otherwise');
        self::assertSame($entries, $this->service(Journal::class)->verify()['entries']);
        $now = $this->service(Connection::class)->fetchAllAssociative('SELECT run_id, digest FROM worked_run');
        foreach ($kept as $row) {
            self::assertContains($row, $now, 'what was kept is of what stands');
        }
        self::assertNotSame('unchanged', Cells::text($told['='.$run] ?? [], 'state'));

        $this->call('POST', "/api/kit/references/$reference/recalls", self::recall($error), 201);
        $after = $this->call('GET', '/api/results/'.$run);
        $would = [];
        foreach (Cells::rows($told['='.$run] ?? [], 'results') as $result) {
            $would['='.Cells::text($result, 'key')] = $result;
        }
        $was = array_column($before->list('assessment.results'), null, 'key');
        foreach ($after->list('assessment.results') as $is) {
            self::assertIsArray($is);
            $key = Cells::text($is, 'key');
            $then = \is_array($was[$key] ?? null) ? $was[$key] : [];
            $one = $would['='.$key] ?? null;
            $shown = static fn (array $result): string => Cells::text(Cells::map($result, 'value'), 'shown');
            if ($one === null) {
                self::assertSame($shown($then), $shown($is), $key.' is told unchanged');
                self::assertSame($then['verdict'] ?? '', $is['verdict'] ?? '', $key);
                continue;
            }
            self::assertSame([$shown($then), $shown($is)], [$one['was'] ?? '', $one['is'] ?? ''], $key);
            self::assertSame([$then['verdict'] ?? '', $is['verdict'] ?? ''], [$one['wasVerdict'] ?? '', $one['isVerdict'] ?? ''], $key);
            self::assertNotSame('', $one['evenly'] ?? '', 'when it was found is known: the straight line stands beside');
        }
    }

    public function testOnlyWhatLeanedOnItIsNamed(): void
    {
        $this->import(self::days());
        $this->signIn(Role::Steward);
        $before = \count($this->call('GET', '/api/kit/references/A/what-if')->list('asked'));
        $told = $this->asked('A', self::recall('0.3'));
        self::assertSame(['k1', 'k2'], array_column($told->list('head.checks'), 'check'));
        self::assertSame(['=r1', '=r2'], array_keys($this->runs($told)));
        // What lies behind the recall, or before it, is not touched.
        foreach (['2026-03-02T13:00:00+00:00', '2026-04-01T00:00:00+00:00'] as $since) {
            self::assertSame([], $this->runs($this->asked('A', self::recall('0.3', $since))), $since);
        }
        // An error that moves nothing that is shown is told as a number that changed, not as unchanged.
        $small = $this->runs($this->asked('A', self::recall('0.001')))['=r1'];
        self::assertNotSame('unchanged', $small['state']);
        self::assertCount($before + 4, $this->call('GET', '/api/kit/references/A/what-if')->list('asked'));
        $this->call('GET', '/api/recalls/0123456789abcdef', status: 404);
        $this->call('GET', '/api/recalls/x', status: 404);
        self::assertStringContainsString('/error', $this->call(
            'POST',
            '/api/kit/references/A/what-if',
            [...self::recall(null), 'error' => 'much'],
            422,
        )->string('fields.0.field'));
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/kit/references/A/what-if', self::recall(null), 403);
        $seen = $this->call('GET', '/api/kit/references/A/what-if')->list('asked');
        self::assertCount($before + 4, $seen, 'another person sees what goes on');
    }

    /** How far it was off is not known: no number moves, and what was said of limits does. */
    public function testAnErrorThatNobodyKnowsChangesVerdictsAndNoNumber(): void
    {
        $this->import(self::days());
        $this->signIn(Role::Steward);
        foreach ($this->runs($this->asked('A', self::recall(null))) as $run) {
            self::assertSame('verdict changed', $run['state']);
            foreach (Cells::rows($run, 'results') as $result) {
                self::assertSame($result['was'] ?? '', $result['is'] ?? 'none');
                self::assertSame('', $result['evenly'] ?? 'none');
            }
        }
    }

    /** A unit itself: what it showed meanwhile shows nothing, what it showed before stands, and a word takes it back. */
    public function testAUnitIsRecalledAsItWasToldBefore(): void
    {
        $this->import(self::days());
        $this->signIn(Role::Steward);
        $recall = ['since' => '2026-03-02T12:15:00+00:00', 'until' => self::FOUND, 'reason' => 'its microphone was torn'];
        $before = [];
        foreach (['r1', 'r2', 'r3'] as $run) {
            $before[$run] = $this->call('GET', '/api/results/'.$run)->string('digest');
        }
        $asked = \count($this->call('GET', '/api/kit/instruments/D/what-if')->list('asked'));
        $ofReferences = \count($this->call('GET', '/api/kit/references/D/what-if')->list('asked'));
        $id = $this->call('POST', '/api/kit/instruments/D/what-if', $recall, 202)->string('asked.id');
        $this->service(AskedWhatIf::class)->run($id);
        $told = $this->call('GET', '/api/recalls/'.$id);
        self::assertSame(['instruments', 'D'], [$told->string('head.owner'), $told->string('head.recalled')]);
        self::assertSame(['k3', 'k4'], array_column($told->list('head.checks'), 'check'));
        $runs = $this->runs($told);
        self::assertSame(['=r2', '=r3'], array_keys($runs), 'r1 was over and checked before');
        foreach ($runs as $run) {
            self::assertSame('verdict changed', $run['state']);
            foreach (Cells::rows($run, 'results') as $result) {
                self::assertSame('void', $result['isVerdict'] ?? '');
                self::assertSame($result['was'] ?? '', $result['is'] ?? 'none', 'no number is made another');
            }
        }
        self::assertCount($asked + 1, $this->call('GET', '/api/kit/instruments/D/what-if')->list('asked'));
        self::assertCount($ofReferences, $this->call('GET', '/api/kit/references/D/what-if')->list('asked'));
        self::assertSame($before['r2'], $this->call('GET', '/api/results/r2')->string('digest'), 'nothing is otherwise');

        $this->call('POST', '/api/kit/instruments/D/recalls', $recall, 201);
        self::assertSame($before['r1'], $this->call('GET', '/api/results/r1')->string('digest'));
        foreach (['r2', 'r3'] as $run) {
            $page = $this->call('GET', '/api/results/'.$run);
            self::assertSame('void', $page->string('assessment.verdict'));
            self::assertStringContainsString('D is recalled for the time from 12:15 to', $page->text);
        }
        self::assertNull($this->service(Journal::class)->verify()['fault']);

        $this->call('POST', '/api/kit/instruments/D/recalls/0/taken-back', ['reason' => ''], 422);
        $this->call('POST', '/api/kit/instruments/D/recalls/1/taken-back', ['reason' => 'another'], 409);
        $back = $this->call('POST', '/api/kit/instruments/D/recalls/0/taken-back', ['reason' => 'It was D-2.']);
        self::assertSame('It was D-2.', $back->string('recalls.0.takenBack.reason'));
        foreach ($before as $run => $digest) {
            self::assertSame($digest, $this->call('GET', '/api/results/'.$run)->string('digest'), $run);
        }

        $this->call('POST', '/api/kit/instruments/nobody/what-if', $recall, 404);
        $this->call('POST', '/api/kit/instruments/D/what-if', [...$recall, 'until' => self::SINCE], 422);
        $this->call('POST', '/api/kit/instruments/D/recalls', [...$recall, 'error' => '0.3'], 422);
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/kit/instruments/D/recalls', $recall, 403);
    }

    public function testReportsAreNamedAndLettersSayWhatChanges(): void
    {
        $this->import(self::days());
        $this->signIn(Role::Hygienist);
        foreach (['r1', 'r3'] as $run) {
            $this->call('POST', "/api/results/$run/decision", [
                'kind' => 'sign',
                'digest' => $this->call('GET', '/api/results/'.$run)->string('digest'),
            ], 201);
        }
        foreach ([['all', []], ['the third alone', ['without' => ['r1', 'r2']]]] as [$title, $more]) {
            $asked = ['title' => $title, 'askedBy' => 'The council', 'campaign' => 'c', ...$more];
            $report = $this->call('POST', '/api/reports', $asked, 201);
            $this->call('POST', '/api/reports/'.$report->string('id').'/editions', [
                'digest' => $report->string('draft.digest'),
                'after' => 0,
            ], 201);
        }
        $told = $this->asked('A', self::recall('0.3'));
        self::assertSame(['all'], array_column($told->list('head.reports'), 'title'), 'the other report tells of nothing that changes');
        self::assertSame(['r1', 'r2'], $told->list('head.reports.0.runs'));
        $letters = $this->call('GET', '/api/recalls/'.$told->string('asked.id').'/letters');
        self::assertCount(1, $letters->list('letters'));
        $text = $letters->string('letters.0.text');
        foreach ([
            'To The council', 'it was off by +0.3 dB', 'since 1 Jan 2026', 'Report RP-00001, edition 1, “all”',
            '- r1, W-01, sawing, 2 Mar 2026:', 'Daily noise exposure level: 86.0, now 86.3 dB(A) (qualified)',
        ] as $words) {
            self::assertStringContainsString($words, $text);
        }
        self::assertStringNotContainsString('r3', $text);
        self::assertStringNotContainsString('{', $text);
        // The steward writes the letter in other words; a placeholder of reports is not known there.
        $this->signIn(Role::Steward);
        $this->call('POST', '/api/reports/texts', ['name' => 'letter', 'text' => '{first day}'], 422);
        $this->call('POST', '/api/reports/texts', ['name' => 'letter', 'text' => 'Dear {to}, {reference} was wrong.']);
        $again = $this->call('GET', '/api/recalls/'.$told->string('asked.id').'/letters');
        self::assertSame('Dear The council, A was wrong.', $again->string('letters.0.text'));
    }

    public function testARecallIsUndoneByAnotherWordAlone(): void
    {
        $this->import(self::days());
        $this->signIn(Role::Steward);
        $before = $this->call('GET', '/api/results/r1')->string('digest');
        $this->call('POST', '/api/kit/references/A/recalls', self::recall('0.3'), 201);
        self::assertNotSame($before, $this->call('GET', '/api/results/r1')->string('digest'));
        $this->call('POST', '/api/kit/references/A/recalls/0/taken-back', ['reason' => ' '], 422);
        $this->call('POST', '/api/kit/references/A/recalls/1/taken-back', ['reason' => 'not there'], 409);
        $back = $this->call('POST', '/api/kit/references/A/recalls/0/taken-back', ['reason' => 'the laboratory mixed up two of them']);
        self::assertSame('the laboratory mixed up two of them', $back->string('recalls.0.takenBack.reason'));
        self::assertSame('0.3', $back->string('recalls.0.error'), 'it stays on record');
        self::assertSame($before, $this->call('GET', '/api/results/r1')->string('digest'));
        $this->call('POST', '/api/kit/references/A/recalls/0/taken-back', ['reason' => 'again'], 409);
        // Another recall after it stands by itself.
        $this->call('POST', '/api/kit/references/A/recalls', self::recall('0.1'), 201);
        self::assertNotSame($before, $this->call('GET', '/api/results/r1')->string('digest'));
        self::assertNull($this->service(Journal::class)->verify()['fault']);
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/kit/references/A/recalls/2/taken-back', ['reason' => 'x'], 403);
    }
}
