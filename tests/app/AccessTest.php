<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;

/** Who may do what, and what a stranger gets. */
final class AccessTest extends ApiTestCase
{
    public function testSigningInAndOut(): void
    {
        self::assertNull($this->call('GET', '/api/session')->at('user'));
        foreach (['/api/day', '/api/kit', '/api/results', '/api/journal', '/api/policies'] as $path) {
            $this->call('GET', $path, status: 401);
        }
        $this->call('POST', '/api/session/begin', ['name' => 'hygienist', 'password' => 'wrong'], 401);
        $this->signIn(Role::Hygienist);
        self::assertSame('H-1', $this->call('GET', '/api/session')->string('user.code'));
        $this->call('POST', '/api/session/end', status: 204);
        $this->call('GET', '/api/day', status: 401);
    }

    public function testGuessingIsSlowedDown(): void
    {
        for ($i = 0; $i < 3; ++$i) {
            $this->call('POST', '/api/session/begin', ['name' => 'steward', 'password' => 'guess'.$i], 401);
        }
        $this->call('POST', '/api/session/begin', ['name' => 'steward', 'password' => self::PASSWORD], 429);
        $this->call('POST', '/api/session/begin', ['name' => 'reader', 'password' => self::PASSWORD]);
    }

    /** Whatever is sent as a name and a password is a wrong one, and no more; a password in the wrong field is not written down. */
    public function testStrangeNamesAndPasswordsAreWrongOnes(): void
    {
        $long = str_repeat('x', 20000);
        foreach ([['nobody', $long], ['steward', $long], [str_repeat('n', 3000), 'x'], ['my password', '']] as $try) {
            $this->browser->request(
                'POST',
                '/api/session/begin',
                server: ['HTTP_X_REQUESTED_WITH' => 'footnote', 'CONTENT_TYPE' => 'application/json'],
                content: json_encode(['name' => $try[0], 'password' => $try[1]], \JSON_THROW_ON_ERROR),
            );
            self::assertContains($this->browser->getResponse()->getStatusCode(), [400, 401], substr($try[0], 0, 20));
        }
        $this->signIn(Role::Reader);
        $journal = $this->call('GET', '/api/journal')->text;
        self::assertStringNotContainsString('my password', $journal);
        self::assertStringContainsString('Somebody was refused as steward from 127.0.0.1.', $journal);
        self::assertStringContainsString('Somebody was refused as a name that nobody has from 127.0.0.1.', $journal);
    }

    public function testARequestFromAnotherSiteChangesNothing(): void
    {
        $this->signIn(Role::Steward);
        foreach ([
            ['CONTENT_TYPE' => 'application/json'],
            ['HTTP_X_REQUESTED_WITH' => 'footnote', 'HTTP_ORIGIN' => 'https://elsewhere.invalid'],
            ['HTTP_X_REQUESTED_WITH' => 'footnote', 'HTTP_SEC_FETCH_SITE' => 'cross-site'],
        ] as $server) {
            $this->browser->request('POST', '/api/kit/instruments', server: $server, content: '{}');
            self::assertSame(403, $this->browser->getResponse()->getStatusCode());
        }
    }

    /** Every changing address and the roles that may use it; all others get 403 before anything is read. */
    public function testTheServerEnforcesRoles(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00'));
        $record = [Role::Technician, Role::Hygienist, Role::Steward];
        $table = [
            ['POST', '/api/bench/D/check', $record],
            ['PUT', '/api/bench/drafts/none', $record],
            ['POST', '/api/bench/checks/none/set-aside', $record],
            ['POST', '/api/bench/D/interventions', $record],
            ['POST', '/api/checks/none/correction', $record],
            ['POST', '/api/runs/none/withdrawal', $record],
            ['POST', '/api/kit/instruments', $record],
            ['POST', '/api/kit/references', [Role::Steward]],
            ['POST', '/api/kit/references/A/recalls', [Role::Steward]],
            ['POST', '/api/kit/references/A/intervals', [Role::Steward]],
            ['POST', '/api/kit/instruments/D/intervals', [Role::Steward]],
            ['POST', '/api/runs', $record],
            ['POST', '/api/runs/r1/facts', $record],
            ['POST', '/api/results/r1/decision', [Role::Hygienist]],
            ['POST', '/api/policies', [Role::Steward]],
            ['POST', '/api/sources', [Role::Steward]],
            ['POST', '/api/campaigns/c/policy', [Role::Hygienist, Role::Steward]],
        ];
        foreach (Role::cases() as $role) {
            $this->signIn($role);
            foreach ($table as [$method, $path, $allowed]) {
                $this->browser->request(
                    $method,
                    $path,
                    server: ['HTTP_X_REQUESTED_WITH' => 'footnote', 'CONTENT_TYPE' => 'application/json'],
                    content: '{}',
                );
                $status = $this->browser->getResponse()->getStatusCode();
                self::assertSame(!\in_array($role, $allowed, true), $status === 403, "$role->value $method $path answered $status");
                self::assertLessThan(500, $status);
            }
        }
        // Leaving a stretch out is judging, not recording.
        $this->signIn(Role::Technician);
        $this->call(
            'POST',
            '/api/runs/r1/facts',
            ['exclusions' => [['from' => Scene::moment('09:00'), 'to' => Scene::moment('09:10'), 'reason' => 'x']]],
            403,
        );
    }

    public function testThePageIsServedWithAStrictPolicy(): void
    {
        $this->browser->request('GET', '/results/r1');
        $policy = (string) $this->browser->getResponse()->headers->get('Content-Security-Policy');
        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringContainsString("script-src 'self';", $policy);
        self::assertSame('DENY', $this->browser->getResponse()->headers->get('X-Frame-Options'));
    }
}
