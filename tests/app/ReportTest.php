<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Report\Drafts;
use Footnote\Tests\Core\Scene;

/** A report: nothing left out, nothing stands that a person did not sign as it is now, and what is issued stays as it was. */
final class ReportTest extends ApiTestCase
{
    private const ASKED = ['title' => 'Noise in the mill', 'askedBy' => 'The works council', 'campaign' => 'c'];

    /** One run that is valid, one whose unit drifted, one whose bracket is open, one that was withdrawn. */
    private static function day(): Scene
    {
        return (new Scene())->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '12:00', '86.4')
            ->check('k2', '12:10', ['114.1'])
            ->run('r2', '12:20', '16:00', '88.8', ['person' => 'W-02'])
            ->check('k3', '16:10', ['115.9'])
            ->run('r3', '16:20', '17:00', '91.1', ['person' => 'W-03', 'task' => 'planing']);
    }

    private function decide(string $run, string $kind = 'sign', string $reason = '', string $verdict = ''): void
    {
        $page = $this->call('GET', '/api/results/'.$run);
        $decisions = $page->list('decisions');
        $this->call('POST', '/api/results/'.$run.'/decision', array_filter([
            'kind' => $kind,
            'digest' => $page->string('digest'),
            'reason' => $reason,
            'verdict' => $verdict,
            'after' => $decisions === [] ? null : $page->int('decisions.0.id'),
        ], static fn (mixed $one): bool => $one !== '' && $one !== null), 201);
    }

    /** @param array<string, mixed> $more */
    private function begun(array $more = []): Answer
    {
        return $this->call('POST', '/api/reports', [...self::ASKED, ...$more], 201);
    }

    /** @param array<string, mixed> $more */
    private function issued(string $id, array $more = [], int $status = 201): Answer
    {
        $report = $this->call('GET', '/api/reports/'.$id);
        $after = $report->list('editions') === [] ? 0 : $report->int('editions.0.edition');

        return $this->call('POST', "/api/reports/$id/editions", [
            'digest' => $report->string('draft.digest'),
            'after' => $after,
            ...$more,
        ], $status);
    }

    /** All that a part says, without what it is marked up with. */
    private function said(string $id, string $part, string $more = ''): string
    {
        $told = $this->call('GET', \sprintf('/api/reports/%s/part?part=%s%s', $id, rawurlencode($part), $more));
        $html = implode("\n", array_map(
            static fn (mixed $block): string => \is_array($block) && \is_string($block['html'] ?? null) ? $block['html'] : '',
            $told->list('blocks'),
        ));

        return html_entity_decode((string) preg_replace(['/<[^>]+>/', '/\s+/'], ['', ' '], $html));
    }

    /** @return list<string> */
    private static function parts(Answer $report): array
    {
        return array_values(array_filter(array_column($report->list('draft.parts'), 'part'), \is_string(...)));
    }

    public function testEveryRunStandsInOneSectionAndNothingIsLeftOut(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->decide('r1');
        $this->decide('r2');
        $report = $this->begun();
        self::assertSame([
            'front', 'section:stands', 'run:r1', 'section:void', 'run:r2', 'section:not signed', 'run:r3', 'evidence',
        ], self::parts($report));
        $front = $this->said($report->string('id'), 'front');
        self::assertStringContainsString('3 of the 3 runs of the campaign', $front);
        self::assertStringContainsString('83.4 dB(A)', $front);
        self::assertStringContainsString('r3, W-03, planing', $front);
        self::assertStringContainsString('nobody has decided it', $front);
        self::assertMatchesRegularExpression('/A person who may sign looks at it and decides: r3/', $front);
        // What is void or not signed states nothing in the summary.
        self::assertStringNotContainsString('88.8', $front);
        self::assertStringNotContainsString('91.1', $front);
        $void = $this->said($report->string('id'), 'run:r2');
        self::assertStringNotContainsString('Against limits', $void);
        self::assertStringContainsString('Acoustic drift', $void);
        // Down to the reading and the certificate.
        $page = $this->said($report->string('id'), 'run:r1');
        foreach (['86.4', '114.1', 'cert-A', 'N-2a', 'What the notes rest on', 'by T-1'] as $words) {
            self::assertStringContainsString($words, $page, $words);
        }
        $evidence = $this->said($report->string('id'), 'evidence');
        foreach (['cert-A of 1 Sep 2025, L, due 1 Sep 2030', 'k1', 'k2', 'k3', 'W-01', 'H-1', 'no clearance'] as $words) {
            self::assertStringContainsString($words, $evidence, $words);
        }
    }

    public function testEachNumberIsTheOneThatTheResultHas(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->decide('r1');
        $page = $this->said($this->begun()->string('id'), 'run:r1');
        $assessed = $this->call('GET', '/api/results/r1');
        foreach (array_keys($assessed->list('assessment.results')) as $place) {
            $shown = str_replace('-', '−', $assessed->string("assessment.results.$place.value.shown"));
            self::assertStringContainsString($shown, $page, $assessed->string("assessment.results.$place.key"));
        }
        foreach (array_keys($assessed->list('assessment.findings')) as $place) {
            self::assertStringContainsString($assessed->string("assessment.findings.$place.title"), $page);
        }
    }

    public function testWhatTheChoiceLeavesOutIsNamed(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $report = $this->begun(['without' => ['r2']]);
        $id = $report->string('id');
        self::assertNotContains('run:r2', self::parts($report));
        $front = $this->said($id, 'front');
        self::assertStringContainsString('2 of the 3 runs of the campaign: some left out by name. Not in it: r2.', $front);
        $narrow = $this->call('POST', "/api/reports/$id/asked", [...self::ASKED, 'person' => 'W-03', 'from' => '2026-03-02'], 200);
        self::assertSame(['front', 'section:not signed', 'run:r3', 'evidence'], self::parts($narrow));
        self::assertStringContainsString('Not in it: r1, r2.', $this->said($id, 'front'));
        $none = $this->call('POST', "/api/reports/$id/asked", [...self::ASKED, 'to' => '2026-03-01'], 200);
        self::assertSame(['front', 'evidence'], self::parts($none));
        self::assertStringContainsString('No result stands yet.', $this->said($id, 'front'));
        foreach ([
            [['title' => ''], 'title'], [['title' => "two\nlines"], 'title'], [['from' => '2026-02-30'], 'from'],
            [['from' => '2026-03-02', 'to' => '2026-03-01'], 'to'], [['campaign' => 'other'], 'campaign'],
            [['title' => str_repeat('x', 201)], 'title'],
        ] as [$wrong, $field]) {
            $problem = $this->call('POST', "/api/reports/$id/asked", [...self::ASKED, ...$wrong], 422);
            self::assertStringContainsString('/'.$field, $problem->string('fields.0.field'));
        }
    }

    public function testAWithdrawnRunIsNamedAndMeasuredNothing(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/runs/r3/withdrawal', ['reason' => 'wrong unit'], 201);
        $id = $this->begun()->string('id');
        self::assertNotContains('run:r3', self::parts($this->call('GET', '/api/reports/'.$id)));
        self::assertStringContainsString('“wrong unit”. It was begun in error and measured nothing.', $this->said($id, 'front'));
    }

    /** The dangerous day: it was signed, a reference is recalled, and nobody has looked since. */
    public function testWhatChangedSinceItWasSignedDoesNotStand(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->decide('r1');
        $id = $this->begun()->string('id');
        self::assertContains('section:stands', self::parts($this->call('GET', '/api/reports/'.$id)));
        $this->signIn(Role::Steward);
        $this->call('POST', '/api/kit/references/A/recalls', [
            'since' => '2026-01-01T00:00:00+00:00', 'reason' => 'back from its laboratory', 'error' => '0.6',
        ], 201);
        $this->signIn(Role::Hygienist);
        $report = $this->call('GET', '/api/reports/'.$id);
        self::assertSame(['front', 'section:not signed', 'run:r1', 'run:r2', 'run:r3', 'evidence'], self::parts($report));
        $front = $this->said($id, 'front');
        self::assertStringContainsString('No result stands yet.', $front);
        self::assertStringContainsString('it was decided, and has changed since', $front);
        $page = $this->said($id, 'run:r1');
        self::assertStringContainsString('Not signed as it stands now', $page);
        self::assertStringContainsString('86.4, now 87.0 dB(A)', $page);
        self::assertStringContainsString('off by +0.6 dB', $this->said($id, 'evidence'));
        // Signed again it stands again, with the other number.
        $this->decide('r1', 'sign', 'as the recall has it');
        self::assertStringContainsString('84.0 dB(A)', $this->said($id, 'front'));
    }

    public function testAnOverruledResultTellsBoth(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->decide('r1', 'overrule', 'the wearer left the hall', 'qualified');
        $id = $this->begun()->string('id');
        $page = $this->said($id, 'run:r1');
        self::assertStringContainsString('Overruled: valid was proposed, qualified was decided by H-1', $page);
        self::assertStringContainsString('“the wearer left the hall”', $page);
        self::assertStringContainsString('qualified, valid was proposed', $this->said($id, 'front'));
    }

    public function testOtherPoliciesAreToldOnlyWhenAsked(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $id = $this->begun()->string('id');
        self::assertStringNotContainsString('Cautious', $this->said($id, 'run:r1'));
        $this->call('POST', "/api/reports/$id/asked", [...self::ASKED, 'schools' => true]);
        self::assertStringContainsString('Cautious', $this->said($id, 'run:r1'));
    }

    public function testNothingIsIssuedThatNobodySignedOrReadOrOverARemark(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $id = $this->begun()->string('id');
        self::assertStringContainsString('Nothing of it is signed', $this->issued($id, status: 409)->string('detail'));
        $this->decide('r1');
        $stale = $this->call('GET', '/api/reports/'.$id)->string('draft.digest');
        $this->decide('r2');
        $other = $this->issued($id, ['digest' => $stale], 409);
        self::assertStringContainsString('says something else since this page was opened', $other->string('detail'));
        $told = $this->call('POST', "/api/reports/$id/remarks", ['block' => 'front/title', 'text' => 'Name the hall.'], 201);
        self::assertSame('Noise in the mill', $told->string('remarks.0.words'));
        $this->call('POST', "/api/reports/$id/remarks", ['block' => 'front/nothing', 'text' => 'x'], 404);
        $this->call('POST', "/api/reports/$id/remarks", ['block' => 'front/title', 'text' => ' '], 422);
        self::assertStringContainsString('1 remark is not settled', $this->issued($id, status: 409)->string('detail'));
        $this->signIn(Role::Technician);
        $this->issued($id, status: 403);
        $remark = $told->int('remarks.0.id');
        $this->call('POST', "/api/reports/$id/remarks/$remark/settled", ['text' => 'done'], 403);
        $this->signIn(Role::Hygienist);
        $this->call('POST', "/api/reports/$id/remarks/$remark/settled", ['text' => 'It stands on the cover.']);
        $this->call('POST', "/api/reports/$id/remarks/$remark/settled", ['text' => 'again'], 409);
        self::assertSame(1, $this->issued($id)->int('editions.0.edition'));
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    public function testAnEditionStaysAsItWasAndALaterOneSaysWhatChanged(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->decide('r1');
        $id = $this->begun()->string('id');
        $first = $this->issued($id);
        $reports = $this->service(ClientReports::class);
        $content = $reports->content($id, 1);
        self::assertSame($first->string('editions.0.digest'), hash('sha256', $content));
        self::assertSame([], $first->list('changedSince'));
        $this->decide('r2', 'void', 'the unit was dropped');
        $changed = $this->call('GET', '/api/reports/'.$id);
        self::assertStringContainsString(
            'r2: was among those that are “not signed”, now “void”.',
            $changed->string('changedSince.0'),
        );
        self::assertStringContainsString('why', $this->issued($id, status: 422)->string('fields.0.field'));
        $second = $this->issued($id, ['why' => 'The second run was looked at.']);
        self::assertSame([2, 1], array_column($second->list('editions'), 'edition'));
        self::assertSame($content, $reports->content($id, 1));
        $words = $this->said($id, 'changes', '&edition=2');
        self::assertStringContainsString('The second run was looked at.', $words);
        self::assertStringContainsString('r2: was among', $words);
        self::assertStringContainsString('nobody has decided it', $this->said($id, 'front', '&edition=1'));
        self::assertStringNotContainsString('88.8', $this->said($id, 'front', '&edition=2'));
        $this->call('GET', "/api/reports/$id/part?part=front&edition=3", status: 404);
        $this->call('GET', "/api/reports/$id/part?part=front&edition=x", status: 422);
    }

    public function testAStrangerSeesWhetherItStandsAndNothingElse(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->decide('r1');
        $id = $this->begun()->string('id');
        $addresses = [$this->issued($id)->string('editions.0.address'), $this->issued($id, ['why' => 'a'])->string('editions.0.address')];
        $this->call('POST', '/api/session/end', status: 204);
        $this->browser->getCookieJar()->clear();
        $pages = [];
        foreach ($addresses as $address) {
            $this->browser->request('GET', (string) parse_url($address, \PHP_URL_PATH));
            $html = (string) $this->browser->getResponse()->getContent();
            $pages[] = trim(strip_tags((string) preg_replace('/<(style|title).*?<\/\1>/s', '', $html)));
            self::assertSame(200, $this->browser->getResponse()->getStatusCode());
        }
        self::assertMatchesRegularExpression(
            "/^Report $id, edition 1Issued on \d+ \w+ \d+ \(UTC\)\.It was superseded: the last edition is 2\.$/",
            $pages[0],
        );
        self::assertMatchesRegularExpression("/^Report $id, edition 2Issued on .*the last edition: it was not superseded\.$/", $pages[1]);
        $this->browser->request('GET', '/r/0123456789abcdef01234567');
        self::assertSame(404, $this->browser->getResponse()->getStatusCode());
        for ($i = 3; $i < 30; ++$i) {
            $this->browser->request('GET', '/r/'.$i);
        }
        $this->browser->request('GET', (string) parse_url($addresses[0], \PHP_URL_PATH));
        self::assertSame(429, $this->browser->getResponse()->getStatusCode());
        self::assertNotNull($this->browser->getResponse()->headers->get('Retry-After'));
    }

    public function testTextsOfTheHouseAreWrittenByAStewardAndNamePlacesThatAreKnown(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/reports/texts', ['name' => 'cover', 'text' => 'For {asked by}.'], 403);
        $this->decide('r1');
        $id = $this->begun()->string('id');
        $this->issued($id);
        $this->signIn(Role::Steward);
        $problem = $this->call('POST', '/api/reports/texts', ['name' => 'cover', 'text' => 'For {client}.'], 422);
        self::assertStringContainsString('{client}, which is not known', $problem->string('fields.0.problem'));
        $this->call('POST', '/api/reports/texts', ['name' => 'other', 'text' => 'x'], 422);
        $this->call('POST', '/api/reports/texts', ['name' => 'cover', 'text' => 'To {asked by}, {runs} runs <b>at {site}</b>.']);
        self::assertStringContainsString('To The works council, 3 runs <b>at Mill</b>.', $this->said($id, 'front'));
        self::assertStringContainsString('This report was made for The works council', $this->said($id, 'front', '&edition=1'));
    }

    /** Nothing of it depends on when somebody looks: the digest that is signed is that of what was read. */
    public function testTheSameEvidenceSaysTheSame(): void
    {
        $this->import(self::day());
        $this->signIn(Role::Hygienist);
        $id = $this->begun()->string('id');
        $file = $this->service(Drafts::class)->of($id);
        $digest = $file->digest();
        unlink($file->path);
        self::assertSame($digest, $this->service(Drafts::class)->of($id)->digest());
        $this->signIn(Role::Reader);
        self::assertSame($digest, $this->call('GET', '/api/reports/'.$id)->string('draft.digest'));
        $this->call('POST', '/api/reports', self::ASKED, 403);
    }
}
