<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\Scene;

/** A decision covers the results that are not open and names the rest as waiting; a later one adds them. */
final class DecisionTest extends ApiTestCase
{
    /** Carbon monoxide is read before and after; the vapour channel was not read after the run. */
    private static function half(): GasScene
    {
        return (new GasScene())->check('k1', '07:45')
            ->run('r', '08:00', '10:00', [], [
                ['channel' => 'CO', 'mean' => '3', 'peak' => '5'],
                ['channel' => 'PID', 'mean' => '20', 'peak' => '30'],
            ])
            ->check('k2', '12:10', ['PID' => '', 'O2' => '', 'LEL' => '', 'H2S' => '']);
    }

    /**
     * @param array<mixed> $covered
     *
     * @return list<string> whose results they are, each once
     */
    private static function of(array $covered): array
    {
        $found = [];
        foreach ($covered as $one) {
            $key = \is_array($one) ? ($one['key'] ?? '') : $one;
            $found[] = str_contains(\is_string($key) ? $key : '', 'carbon-monoxide') ? 'CO' : 'PID';
        }

        return array_values(array_unique($found));
    }

    public function testWhatIsOpenWaitsAndIsAddedLater(): void
    {
        $this->importRecord(self::half()->record);
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/r');
        $verdicts = array_column($page->list('assessment.channels'), 'verdict', 'channel');
        self::assertSame(['CO' => 'valid', 'PID' => 'open'], array_intersect_key($verdicts, ['CO' => 0, 'PID' => 0]));
        $signed = $this->call('POST', '/api/results/r/decision', ['kind' => 'sign', 'digest' => $page->string('digest')], 201);
        self::assertSame(['CO'], self::of($signed->list('decisions.0.covers')));
        self::assertSame(['PID'], self::of($signed->list('decisions.0.waiting')));
        self::assertSame('valid', $signed->string('decisions.0.verdict'), 'the verdict is that of what it covers');
        self::assertSame(['CO'], self::of($this->call('GET', '/api/results')->list('rows.0.decision.covers')));

        // The check that was wanting: what waited can be signed, and nothing has to be explained.
        $later = self::half();
        $later->record['checks'] = [];
        $later->record['runs'] = [];
        $later->check('k3', '12:40', ['CO' => '', 'O2' => '', 'LEL' => '', 'H2S' => '']);
        $this->importRecord($later->record);
        $page = $this->call('GET', '/api/results/r');
        self::assertSame('valid', $page->string('assessment.verdict'));
        $id = $page->int('decisions.0.id');
        $added = $this->call(
            'POST',
            '/api/results/r/decision',
            ['kind' => 'sign', 'digest' => $page->string('digest'), 'after' => $id],
            201,
        );
        self::assertSame(['CO', 'PID'], self::of($added->list('decisions.0.covers')));
        self::assertSame([], $added->list('decisions.0.waiting'));
        self::assertCount(2, $added->list('decisions'), 'the first stands on record');
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    public function testVoidingCoversEverything(): void
    {
        $this->importRecord(self::half()->record);
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/r');
        $this->call('POST', '/api/results/r/decision', ['kind' => 'void', 'digest' => $page->string('digest')], 422);
        $void = $this->call(
            'POST',
            '/api/results/r/decision',
            ['kind' => 'void', 'digest' => $page->string('digest'), 'reason' => 'worn by another'],
            201,
        );
        self::assertSame(['CO', 'PID'], self::of($void->list('decisions.0.covers')));
        self::assertSame([], $void->list('decisions.0.waiting'));
    }

    /** Only a hygienist says what is work and what the rest of a day was; every word stands with its reason and its person. */
    public function testAPersonsWordsStandOnTheResult(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run(
            'r',
            '08:00',
            '12:00',
            more: ['shiftMinutes' => 480],
        )->check('k2', '16:30', ['114.0']);
        $this->import($scene);
        $rest = ['restOfDay' => ['was' => 'as sampled', 'reason' => 'the same bench all day']];
        $this->signIn(Role::Technician);
        foreach ([
            $rest,
            ['leftIn' => [['from' => Scene::moment('09:00'), 'to' => Scene::moment('09:01'), 'reason' => 'a press']]],
        ] as $word) {
            $this->call('POST', '/api/runs/r/facts', $word, 403);
        }
        $this->signIn(Role::Hygienist);
        $before = $this->call('GET', '/api/results/r');
        $lex = static fn (Answer $page): string => implode(' ', array_map(
            static fn (mixed $one): string => \is_array($one)
                && $one['key'] === 'lex8h'
                && \is_array($one['value'])
                && \is_string($one['value']['shown'])
                ? $one['value']['shown']
                : '',
            $page->list('assessment.results'),
        ));
        self::assertContains('run.unsampled', array_column($before->list('assessment.findings'), 'rule'));
        foreach ([['was' => 'some', 'reason' => 'x'], ['was' => 'nothing', 'reason' => ''], ['reason' => 'x']] as $wrong) {
            $this->call('POST', '/api/runs/r/facts', ['restOfDay' => $wrong], 422);
        }
        $this->call('POST', '/api/runs/r/facts', $rest, 201);
        $said = $this->call('GET', '/api/results/r');
        $findings = array_column($said->list('assessment.findings'), 'severity', 'rule');
        self::assertSame('note', $findings['run.unsampled'] ?? '');
        self::assertStringContainsString('90.0', $lex($said), 'eight hours like the four that were sampled');
        // Another word needs its own reason; the first stays on record.
        $nothing = ['restOfDay' => ['was' => 'nothing', 'reason' => 'he went home']];
        $this->call('POST', '/api/runs/r/facts', $nothing, 422);
        $this->call('POST', '/api/runs/r/facts', [...$nothing, 'reason' => 'the card was misread'], 201);
        self::assertStringContainsString('87.0', $lex($this->call('GET', '/api/results/r')), 'four hours and nothing else');
        self::assertSame(['restOfDay', 'restOfDay'], array_merge(...array_map(
            static fn (mixed $fact): array => \is_array($fact) && \is_array($fact['fields']) ? $fact['fields'] : [],
            $this->call('GET', '/api/runs/r')->list('learned'),
        )));
    }
}
