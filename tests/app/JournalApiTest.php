<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Http\Journal\JournalSentences;
use Footnote\App\Journal\Journal;
use Footnote\Tests\Core\Scene;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Clock\NativeClock;

/** The journal as people read it. */
final class JournalApiTest extends ApiTestCase
{
    /** Whatever the application writes is a sentence in which nothing is missing. */
    public function testEveryLineIsASentence(): void
    {
        $this->work();
        $read = $this->call('GET', '/api/journal');
        self::assertTrue($read->at('isAll'));
        $kinds = [];
        foreach ($read->list('entries') as $line) {
            self::assertIsArray($line);
            self::assertIsString($line['sentence']);
            self::assertIsString($line['kind']);
            if ($line['actor'] === 'console') {
                // The test's own people.
                continue;
            }
            self::assertStringNotContainsString('?', $line['sentence'], $line['kind']);
            self::assertStringNotContainsString('{', $line['sentence'], $line['kind']);
            $kinds[$line['kind']] = $line['sentence'];
        }
        self::assertSame('H-1 voided the result of r1: worn by another.', $kinds['result voided']);
        self::assertSame('S-1 recalled A since 2026-03-01T00:00:00+00:00: it fell.', $kinds['reference recalled']);
        self::assertGreaterThan(10, \count($kinds));
    }

    /** No kind of the code is without its words. */
    public function testEveryKindHasWords(): void
    {
        $files = new \RegexIterator(
            new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(\dirname(__DIR__, 2).'/app')),
            '/\\.php$/',
        );
        $kinds = [];
        foreach ($files as $file) {
            preg_match_all(
                '/(?:journal->(?:during|note)\\(\\s*[^,]+,|this->record\\([^,]+, [^,]+,)'
                    ."\\s*(?:[^',]*\\? )?'([a-z -]+)'(?: : '([a-z -]+)')?/",
                (string) file_get_contents($file instanceof \SplFileInfo ? $file->getPathname() : ''),
                $found,
            );
            array_push($kinds, ...$found[1], ...array_filter($found[2], static fn (string $kind): bool => $kind !== ''));
        }
        self::assertGreaterThan(25, \count($kinds));
        foreach (array_filter($kinds, static fn (string $kind): bool => $kind !== 'result ') as $kind) {
            self::assertTrue(JournalSentences::knows($kind), $kind);
        }
    }

    public function testItIsReadByDayByPersonAndByWhatItIsAbout(): void
    {
        $this->work();
        $chosen = fn (string $query): array => array_column($this->call('GET', '/api/journal?'.$query)->list('entries'), 'kind');
        self::assertSame(['run learned', 'signed in'], $chosen('person=T-1'));
        self::assertSame(['result voided', 'run learned', 'record imported'], $chosen('about=r1'));
        self::assertContains('reference recalled', $chosen('about=A'));
        self::assertSame([], $chosen('about=R%25'), 'a sign that stands for others stands for itself');
        self::assertSame([], $chosen('day=2020-01-01'));
        self::assertNotSame([], $chosen('day='.(new \DateTimeImmutable('now', new \DateTimeZone('Europe/London')))->format('Y-m-d')));
        $this->call('GET', '/api/journal?day=2026-02-30', status: 422);
        $newest = $this->call('GET', '/api/journal')->int('entries.0.sequence');
        self::assertSame($newest - 1, $this->call('GET', '/api/journal?before='.$newest)->int('entries.0.sequence'));
    }

    public function testAClockThatGoesBackIsSaid(): void
    {
        $clock = new MockClock('2027-03-01 08:00:00');
        Clock::set($clock);
        try {
            $this->signIn(Role::Technician);
            $clock->modify('-1 second');
            $this->signIn(Role::Technician);
            $clock->modify('-1 hour');
            $this->signIn(Role::Technician);
            $this->signIn(Role::Technician);
            $said = array_column(\array_slice($this->call('GET', '/api/journal')->list('entries'), 0, 5), 'sentence');
            self::assertSame([
                'T-1 signed in as technician from 127.0.0.1.',
                'T-1 signed in as technician from 127.0.0.1.',
                'The application noticed that the clock went back from 2027-03-01T07:59:59.000Z to 2027-03-01T06:59:59.000Z.',
                'T-1 signed in as technician from 127.0.0.1.',
                'T-1 signed in as technician from 127.0.0.1.',
            ], $said);
            self::assertNull($this->service(Journal::class)->verify()['fault']);
        } finally {
            Clock::set(new NativeClock());
        }
    }

    /** A little of everything. */
    private function work(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0']));
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/runs/r1/facts', ['plannedMinutes' => 480, 'reason' => 'told later'], 201);
        $this->signIn(Role::Steward);
        $this->call(
            'POST',
            '/api/kit/instruments',
            ['id' => 'D-9', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in'],
            201,
        );
        $this->call(
            'POST',
            '/api/kit/references/A/recalls',
            ['since' => '2026-03-01T00:00:00Z', 'reason' => 'it fell', 'error' => null],
            201,
        );
        $this->call('POST', '/api/people', ['name' => 'newcomer', 'code' => 'N-1', 'roles' => ['reader']], 201);
        $this->call('POST', '/api/people/newcomer/roles', ['roles' => ['technician'], 'reason' => 'learned it']);
        $this->call('POST', '/api/people/newcomer/sign-out');
        $this->call('POST', '/api/people/newcomer/end', ['reason' => 'left']);
        $this->call('POST', '/api/bench/D-9/check', []);
        $this->call('POST', '/api/bench/D-9/interventions', ['kind' => 'repaired', 'at' => '2026-03-01T08:00:00+00:00'], 201);
        $this->call('POST', '/api/session/begin', ['name' => 'stranger', 'password' => 'x'], 401);
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/r1');
        $this->call('POST', '/api/results/r1/decision', [
            'kind' => 'void', 'reason' => 'worn by another', 'digest' => $page->string('digest'),
        ], 201);
    }
}
