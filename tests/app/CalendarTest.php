<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Footnote\App\Access\LetIn;
use Footnote\App\Access\Role;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Process\Process;

/** What falls due as a calendar that others subscribe to: under a secret address, told once, that ends. */
final class CalendarTest extends ApiTestCase
{
    use ClockSensitiveTrait;
    use DueKit;

    private const LONG = 'Ü, the works; "north" \\ a name that is longer than a line of a calendar may be';

    /**
     * As another program reads it.
     *
     * @return Answer name, and events with uid, day, title and text
     */
    private function asked(string $address): Answer
    {
        $tries = 0;
        do {
            // A slow machine works out what falls due in more than one go, and says so.
            $this->browser->request('GET', (string) parse_url($address, \PHP_URL_PATH));
            self::assertSame(200, $this->browser->getResponse()->getStatusCode());
            self::assertSame('text/calendar; charset=utf-8', $this->browser->getResponse()->headers->get('Content-Type'));
            $text = $this->browser->getInternalResponse()->getContent();
        } while (str_contains(str_replace("\r\n ", '', $text), 'it is being worked out') && ++$tries < 10);
        foreach (explode("\r\n", $text) as $line) {
            self::assertLessThanOrEqual(75, \strlen($line), 'A line of RFC 5545 has 75 octets at most.');
        }

        return new Answer((new Process(['/usr/bin/python3', __DIR__.'/read-calendar.py'], input: $text))->mustRun()->getOutput());
    }

    private function statusOf(string $address): int
    {
        $this->browser->request('GET', (string) parse_url($address, \PHP_URL_PATH));

        return $this->browser->getResponse()->getStatusCode();
    }

    /** @param array<string, mixed> $more */
    private function made(array $more = []): string
    {
        return $this->call('POST', '/api/calendars', ['title' => 'Kit', ...$more], 201)->string('address');
    }

    public function testAnotherProgramReadsWhatFallsDue(): void
    {
        self::mockTime('2026-03-03T10:00:00+00:00');
        $this->import(self::scene());
        $this->signIn(Role::Technician);
        $made = $this->call('POST', '/api/calendars', ['title' => self::LONG], 201);
        self::assertStringContainsString('<svg', $made->string('square'));
        self::assertStringEndsWith('.ics', $made->string('address'));
        // Nobody is signed in where it is read.
        $this->call('POST', '/api/session/end', [], 204);
        $read = $this->asked($made->string('address'));
        self::assertSame(self::LONG, $read->string('name'));
        self::assertSame([
            ['2026-03-03', 'Over or never done: D-3, D-2'],
            ['2026-03-05', 'Laboratory calibration: D'],
            ['2026-06-01', 'Laboratory calibration: A'],
        ], self::listed($read));
        $text = static fn (int $at): string => $read->string('events.'.$at.'.text');
        self::assertStringContainsString('D-3, M: laboratory calibration, never done as far as is known', $text(0));
        self::assertStringContainsString('D-2, M: laboratory calibration, counts until 1 Mar 2026 23:59 (L-2026-03-01)', $text(0));
        self::assertStringContainsString('A, K, counts until 1 Jun 2026 23:59', $text(2));
        self::assertStringContainsString('last checked on it: D', $text(2));
        self::assertStringContainsString('The manual of the instrument and local rules stand above.', $text(2));

        // The same event keeps its name while time goes by, and what is over is told on the day that it is read.
        self::mockTime('2026-03-06T00:00:00+00:00');
        $later = $this->asked($made->string('address'));
        self::assertSame(
            [['2026-03-06', 'Over or never done: D-3, D-2, D'], ['2026-06-01', 'Laboratory calibration: A']],
            self::listed($later),
        );
        self::assertSame($read->string('events.0.uid'), $later->string('events.0.uid'));
        self::assertSame($read->string('events.2.uid'), $later->string('events.1.uid'));
    }

    public function testACalendarIsOfWhatWasAskedFor(): void
    {
        self::mockTime('2026-03-03T10:00:00+00:00');
        $this->import(self::scene());
        $this->signIn(Role::Technician);
        self::assertSame([], $this->titles(['by' => 'bench']));
        self::assertCount(3, $this->titles(['by' => 'laboratory']));
        self::assertSame(['Laboratory calibration: D', 'Laboratory calibration: A'], $this->titles(['kit' => ['A', 'D']]));
        $this->call('POST', '/api/calendars', ['title' => 'Kit', 'kit' => ['D', 'X-9']], 422);
        $this->call('POST', '/api/calendars', ['title' => 'Kit', 'by' => 'me'], 422);
        $this->call('POST', '/api/calendars', ['title' => ''], 422);
        $this->call('POST', '/api/calendars', ['title' => str_repeat('n', 81)], 422);
        self::assertCount(3, $this->call('GET', '/api/calendars')->list('items'));
    }

    /**
     * @param array<string, mixed> $asked
     *
     * @return list<mixed>
     */
    private function titles(array $asked): array
    {
        return array_column($this->asked($this->made($asked))->list('events'), 'title');
    }

    /** The days that are planned for a person, with the hours at which they begin and end. */
    public function testThePlannedDaysOfAPerson(): void
    {
        self::mockTime('2026-03-02T10:00:00+00:00');
        $this->import(self::scene());
        $this->signIn(Role::Technician);
        $asked = [
            'day' => '2026-03-03',
            'campaign' => $this->call('GET', '/api/campaigns')->string('campaigns.0.id'),
            'base' => 'mill',
            'crew' => [['name' => 'nia', 'from' => '04:00', 'to' => '18:00']],
            'ways' => [['one' => 'mill', 'other' => 'saw', 'minutes' => '20']],
            'handling' => ['switchOn' => '1', 'fit' => '5', 'takeOff' => '5', 'notSooner' => '30'],
            'wanted' => [[
                'person' => 'W-01', 'task' => 'sawing', 'place' => 'saw', 'family' => 'noise-dosimeter', 'from' => '07:00', 'to' => '15:00',
            ]],
        ];
        $this->call('POST', '/api/plans', $asked, 201);
        $address = $this->made(['by' => 'person', 'of' => 'nia']);
        $read = $this->asked($address);
        self::assertSame(['Measuring: switch on D first'], array_column($read->list('events'), 'title'));
        // On at 06:25: a minute, 9 min of check, 20 min there, 5 min for fitting; checked again by 15:34.
        self::assertSame('2026-03-03T06:25:00+00:00', $read->string('events.0.day'));
        self::assertSame('2026-03-03T15:34:00+00:00', $read->string('events.0.end'));
        self::assertStringContainsString('06:55 fit, D, saw. It is wanted from 07:00.', $read->string('events.0.text'));
        self::assertSame([], $this->asked($this->made(['by' => 'person', 'of' => 'oto']))->list('events'));
        self::assertSame('nia', $this->call('GET', '/api/calendars')->string('items.1.of'));
        foreach ([['by' => 'person'], ['of' => 'nia']] as $bad) {
            self::assertSame('/of', $this->call('POST', '/api/calendars', ['title' => 'x', ...$bad], 422)->string('fields.0.field'));
        }
        // What is over is in no calendar.
        self::mockTime('2026-03-04T10:00:00+00:00');
        self::assertSame([], $this->asked($address)->list('events'));
    }

    public function testItEndsWhenSomebodySaysSo(): void
    {
        $this->signIn(Role::Technician);
        $address = $this->made();
        $other = $this->made();
        self::assertSame([200, 200], [$this->statusOf($address), $this->statusOf($other)]);
        $id = $this->call('GET', '/api/calendars')->int('items.1.id');
        // Somebody else ends it only as a steward.
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/calendars/'.$id.'/end', [], 404);
        self::assertSame([], $this->call('GET', '/api/calendars')->list('items'));
        $this->signIn(Role::Reader);
        $this->call('POST', '/api/calendars', ['title' => 'Kit'], 403);
        $this->signIn(Role::Steward);
        self::assertCount(2, $this->call('GET', '/api/calendars')->list('items'));
        $this->call('POST', '/api/calendars/'.$id.'/end');
        self::assertSame([404, 200], [$this->statusOf($address), $this->statusOf($other)]);
        $told = $this->call('GET', '/api/journal')->text;
        self::assertStringContainsString('ended the address of the calendar', $told);
        self::assertStringNotContainsString(basename($address, '.ics'), $told);
    }

    public function testItEndsWithTheAccessOfWhoMadeIt(): void
    {
        $this->signIn(Role::Technician);
        $address = $this->made();
        $person = $this->call('GET', '/api/calendars')->string('items.0.person');
        $this->service(LetIn::class)->change('S-1', $person, [Role::Reader], 'is a client now');
        self::assertSame(404, $this->statusOf($address));
        $this->service(LetIn::class)->change('S-1', $person, [Role::Technician], 'is back');
        self::assertSame(200, $this->statusOf($address));
    }

    /** Whoever reads the data has no address, and whoever guesses is slowed down. */
    public function testTheSecretIsKeptNowhere(): void
    {
        $this->signIn(Role::Technician);
        $headers = ['X-Request-Id' => 'calendar-once-1'];
        $address = $this->call('POST', '/api/calendars', ['title' => 'Kit'], 201, headers: $headers)->string('address');
        $secret = basename($address, '.ics');
        self::assertSame(48, \strlen($secret));
        foreach (['calendar_address', 'request_made', 'journal_entry'] as $table) {
            $rows = $this->service(Connection::class)->fetchAllAssociative('SELECT * FROM '.$table);
            self::assertStringNotContainsString($secret, json_encode($rows, \JSON_THROW_ON_ERROR));
        }
        // Asked for once more after a lost answer: it says so, rather than tell an address that answers nothing.
        $this->call('POST', '/api/calendars', ['title' => 'Kit'], 409, headers: $headers);
        self::assertCount(1, $this->call('GET', '/api/calendars')->list('items'));
        for ($i = 0; $i < 30; ++$i) {
            $this->statusOf('/calendar/'.str_repeat(dechex($i % 16), 48).'.ics');
        }
        self::assertSame(429, $this->statusOf($address));
    }

    /** @return list<array{mixed, mixed}> day and title of each event */
    private static function listed(Answer $read): array
    {
        $events = $read->list('events');

        return array_map(null, array_column($events, 'day'), array_column($events, 'title'));
    }
}
