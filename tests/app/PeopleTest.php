<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Symfony\Component\Clock\Clock;
use Symfony\Component\Clock\MockClock;

/** People are let in, change, and leave; who was in and who was refused stands in the journal. */
final class PeopleTest extends ApiTestCase
{
    public function testANewPersonChoosesThePasswordByACodeThatIsUsedUp(): void
    {
        $this->signIn(Role::Steward);
        $made = $this->call('POST', '/api/people', ['name' => 'newcomer', 'code' => 'N-7', 'roles' => ['hygienist', 'steward']], 201);
        $code = $made->string('oneTimeCode');
        self::assertMatchesRegularExpression('/^([A-HJ-NP-Z2-9]{4}-){3}[A-HJ-NP-Z2-9]{4}$/D', $code);
        $this->call('POST', '/api/session/end', status: 204);
        // Not in without a password, and not by the code.
        $this->call('POST', '/api/session/begin', ['name' => 'newcomer', 'password' => $code], 401);
        $first = static fn (string $code, string $password): array => [
            'name' => 'newcomer', 'oneTimeCode' => $code, 'password' => $password,
        ];
        $this->call('POST', '/api/session/first', $first('AAAA-AAAA-AAAA-AAAA', 'organ pipes of 1887'), 401);
        $weak = $this->call('POST', '/api/session/first', $first($code, 'aaaaaaaaaaaaaa'), 422);
        self::assertSame(['/password'], array_column($weak->list('fields'), 'field'));
        $this->call('POST', '/api/session/first', $first($code, 'short-1!'), 422);
        // As somebody types it: small, and without its hyphens.
        $this->call('POST', '/api/session/first', $first(strtolower(str_replace('-', ' ', $code)), 'organ pipes of 1887'), 204);
        $this->call('POST', '/api/session/first', $first($code, 'another of 1887 now'), 401);
        $in = $this->call('POST', '/api/session/begin', ['name' => 'newcomer', 'password' => 'organ pipes of 1887']);
        self::assertSame(['hygienist', 'steward'], array_column($in->list('user.roles'), 'role'));
        $this->call('GET', '/api/people');
        self::assertSame(
            [
                'signed in', 'sign-in refused', 'password chosen', 'sign-in refused', 'sign-in refused', 'signed out', 'person added',
                'signed in',
            ],
            $this->kinds(8),
        );
    }

    public function testACodeIsTooOldAfterSevenDays(): void
    {
        $this->signIn(Role::Steward);
        $code = $this->call('POST', '/api/people', ['name' => 'late', 'code' => 'L-1', 'roles' => ['reader']], 201)->string('oneTimeCode');
        $this->service(Connection::class)->executeStatement('UPDATE person_secret SET code_until = code_until - 604801');
        $this->service(EntityManagerInterface::class)->clear();
        $this->call('POST', '/api/session/first', ['name' => 'late', 'oneTimeCode' => $code, 'password' => 'organ pipes of 1887'], 401);
    }

    public function testWhatAPersonMayDoChangesAtOnce(): void
    {
        $this->signIn(Role::Technician);
        $technician = $this->browser->getCookieJar()->all();
        $this->signIn(Role::Steward);
        $steward = $this->browser->getCookieJar()->all();
        $this->call('POST', '/api/people/technician/roles', ['roles' => ['reader'], 'reason' => ''], 422);
        $this->call('POST', '/api/people/technician/roles', ['roles' => ['reader'], 'reason' => 'left the workshop'], 200);
        $this->as($technician);
        // The session of before has ended; by a new one nothing can be recorded.
        $this->call('GET', '/api/day', status: 401);
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/runs', [], 403);
        $this->as($steward);
        $told = $this->call('POST', '/api/people/technician/end', ['reason' => 'left the house']);
        $roles = array_column($told->list('people'), 'roles', 'name');
        self::assertSame([], $roles['technician']);
        $this->call('POST', '/api/session/begin', ['name' => 'technician', 'password' => self::PASSWORD], 401);
        $this->as($steward);
        $this->call('POST', '/api/people/technician/code', status: 409);
        // Names and codes stay: whoever comes back is the same, and nobody else is.
        $this->call('POST', '/api/people', ['name' => 'technician', 'code' => 'X-1', 'roles' => ['reader']], 422);
        $this->call('POST', '/api/people', ['name' => 'another', 'code' => 't-1', 'roles' => ['reader']], 422);
        $this->call('POST', '/api/people', ['name' => 'Technician', 'code' => 'X-1', 'roles' => ['reader']], 422);
        $this->call('POST', '/api/people/technician/roles', ['roles' => ['technician'], 'reason' => 'is back']);
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    public function testSomebodyAlwaysKeepsPeople(): void
    {
        $this->signIn(Role::Steward);
        $this->call('POST', '/api/people/steward/end', ['reason' => 'x'], 422);
        $this->call('POST', '/api/people/steward/roles', ['roles' => ['hygienist'], 'reason' => 'x'], 422);
        $this->call('POST', '/api/people/steward/code', status: 409);
        // One who has not chosen a password yet keeps nothing.
        $this->call('POST', '/api/people', ['name' => 'second', 'code' => 'S-2', 'roles' => ['steward']], 201);
        $this->call('POST', '/api/people/steward/end', ['reason' => 'x'], 422);
        $this->call('POST', '/api/people/hygienist/roles', ['roles' => ['hygienist', 'steward'], 'reason' => 'stands in']);
        $this->call('POST', '/api/people/steward/end', ['reason' => 'x']);
        $this->call('GET', '/api/people', status: 401);
    }

    public function testAnotherPasswordEndsWhatIsOpenElsewhere(): void
    {
        $this->signIn(Role::Hygienist);
        $elsewhere = $this->browser->getCookieJar()->all();
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/session/password', ['now' => 'wrong', 'password' => 'organ pipes of 1887'], 422);
        $this->call('POST', '/api/session/password', ['now' => self::PASSWORD, 'password' => 'my name is hygienist'], 422);
        $this->call('POST', '/api/session/password', ['now' => self::PASSWORD, 'password' => 'organ pipes of 1887'], 204);
        $this->as($elsewhere);
        $this->call('GET', '/api/day', status: 401);
        $this->call('POST', '/api/session/begin', ['name' => 'hygienist', 'password' => self::PASSWORD], 401);
        $this->call('POST', '/api/session/begin', ['name' => 'hygienist', 'password' => 'organ pipes of 1887']);
        $this->call('POST', '/api/session/everywhere', status: 204);
        $this->call('GET', '/api/day', status: 401);
    }

    public function testOnlyStewardsKeepPeople(): void
    {
        foreach ([Role::Reader, Role::Technician, Role::Hygienist] as $role) {
            $this->signIn($role);
            $this->call('GET', '/api/people', status: 403);
            foreach (['', '/reader/roles', '/reader/end', '/reader/code', '/reader/sign-out'] as $what) {
                $this->call('POST', '/api/people'.$what, [], 403);
            }
        }
    }

    public function testASessionEndsWhenNobodyIsThereAndAfterAWorkingDay(): void
    {
        $clock = new MockClock('2026-11-29 06:00:00');
        Clock::set($clock);
        try {
            $this->signIn(Role::Technician);
            for ($hour = 0; $hour < 13; ++$hour) {
                $clock->sleep(3600);
                $this->call('GET', '/api/session');
                self::assertSame('T-1', $this->call('GET', '/api/session')->string('user.code'), $hour.' h later');
            }
            $clock->sleep(3660);
            self::assertNull($this->call('GET', '/api/session')->at('user'), 'after fourteen hours in any case');
            $this->signIn(Role::Technician);
            $clock->sleep(14399);
            self::assertSame('T-1', $this->call('GET', '/api/session')->string('user.code'));
            $clock->sleep(14401);
            self::assertNull($this->call('GET', '/api/session')->at('user'), 'after four hours without anybody');
        } finally {
            Clock::set(new \Symfony\Component\Clock\NativeClock());
        }
    }

    public function testWaitsGrowWithWrongTriesFromOneAddressAlone(): void
    {
        $clock = new MockClock('2026-11-29 06:00:00');
        Clock::set($clock);
        try {
            $try = function (string $password, string $address, int $status): int {
                $this->browser->setServerParameter('REMOTE_ADDR', $address);
                $this->call('POST', '/api/session/begin', ['name' => 'steward', 'password' => $password], $status);

                return (int) $this->browser->getResponse()->headers->get('Retry-After');
            };
            for ($i = 0; $i < 3; ++$i) {
                $try('guess', '192.0.2.1', 401);
            }
            $waits = [];
            for ($i = 0; $i < 8; ++$i) {
                $waits[] = $wait = $try('guess', '192.0.2.1', 429);
                $clock->sleep($wait);
                $try('guess', '192.0.2.1', 401);
            }
            self::assertSame([1, 2, 4, 8, 16, 32, 60, 60], $waits);
            // The right password has to wait as well; from elsewhere it need not.
            $try(self::PASSWORD, '192.0.2.1', 429);
            $try(self::PASSWORD, '192.0.2.2', 200);
            $clock->sleep(60);
            $try(self::PASSWORD, '192.0.2.1', 200);
            // Right ones never count.
            for ($i = 0; $i < 40; ++$i) {
                $try(self::PASSWORD, '192.0.2.1', 200);
            }
        } finally {
            Clock::set(new \Symfony\Component\Clock\NativeClock());
        }
    }

    /** @param array<\Symfony\Component\BrowserKit\Cookie> $cookies */
    private function as(array $cookies): void
    {
        $this->browser->getCookieJar()->clear();
        foreach ($cookies as $cookie) {
            $this->browser->getCookieJar()->set($cookie);
        }
    }

    /** @return list<string> the newest first */
    private function kinds(int $many): array
    {
        return \array_slice(array_values(array_map(
            static fn (mixed $line): string => \is_array($line) && \is_string($line['kind']) ? $line['kind'] : '',
            $this->call('GET', '/api/journal')->list('entries'),
        )), 0, $many);
    }
}
