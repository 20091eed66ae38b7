<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\EvidenceCheck;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\MeterScene;
use Footnote\Tests\Core\ParticleScene;
use Footnote\Tests\Core\Scene;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** Readings that come by themselves: what is kept is what was printed, and what is practice is never taken for more. */
final class SourceApiTest extends ApiTestCase
{
    use ClockSensitiveTrait;

    private const NOW = '2026-03-02T08:00:00+00:00';

    /** @param array<string, mixed> $record whose units are practice units */
    private function practise(array $record, bool $practice = true): void
    {
        \assert(\is_array($record['instruments']));
        $record['instruments'] = array_map(
            static fn (mixed $unit): mixed => \is_array($unit) ? [...$unit, ...($practice ? ['practice' => true] : [])] : $unit,
            $record['instruments'],
        );
        $this->importRecord($record);
        $this->signIn(Role::Technician);
    }

    /** @param array<string, mixed> $answers */
    private function answer(string $draft, array $answers): Answer
    {
        $shown = $this->call('GET', '/api/bench/drafts/'.$draft);
        $all = json_decode(json_encode($shown->at('answers'), \JSON_THROW_ON_ERROR), true);
        \assert(\is_array($all));

        return $this->call('PUT', '/api/bench/drafts/'.$draft, [
            'version' => $shown->at('version'),
            'answers' => [...$all, ...$answers],
        ]);
    }

    private function version(string $draft): mixed
    {
        return $this->call('GET', '/api/bench/drafts/'.$draft)->at('version');
    }

    /** @param array<string, mixed> $source */
    private function take(string $draft, string $step, array $source, int $status = 200, bool $anyway = false): Answer
    {
        return $this->call(
            'POST',
            '/api/bench/drafts/'.$draft.'/take',
            ['version' => $this->version($draft), 'step' => $step, 'source' => $source, 'anyway' => $anyway],
            $status,
        );
    }

    private function connect(string $draft, string $fault = '', int $status = 200): Answer
    {
        return $this->call(
            'PUT',
            '/api/bench/drafts/'.$draft.'/stand-in',
            ['version' => $this->version($draft), 'connected' => true, 'fault' => $fault],
            $status,
        );
    }

    /** @param list<string> $values */
    private static function lines(array $values, string $unit = 'D', string $in = 'dB', string $more = ''): string
    {
        return implode('', array_map(
            static fn (string $value): string => \sprintf(
                '{"at":"2001-01-01T00:00:00Z","unit":"%s","channel":"level","value":"%s","in":"%s"%s}'."\n",
                $unit,
                $value,
                $in,
                $more,
            ),
            $values,
        ));
    }

    /**
     * @param list<string> $values one each second up to now
     * @param string       $unit   that printed them
     *
     * @return array<string, mixed>
     */
    private static function port(array $values, string $unit = 'D', string $in = 'dB', string $more = ''): array
    {
        $ago = array_map(static fn (int $back): int => 1000 * $back, range(\count($values) - 1, 0));

        return ['kind' => 'port', 'lines' => base64_encode(self::lines($values, $unit, $in, $more)), 'ago' => $ago];
    }

    /** A whole check of a practice unit from its stand-in; the loose adapter is found out, and nobody signs what came of it. */
    public function testALooseAdapterIsFoundOutAndNothingOfItIsSigned(): void
    {
        $clock = self::mockTime('2026-03-02T07:30:00+00:00');
        $this->practise((new Scene())->check('k', '07:00', ['114.0'])->record);
        $run = $this->call('POST', '/api/runs', [
            'campaign' => 'c', 'instrument' => 'D', 'person' => 'W-01', 'task' => 'Tuning', 'start' => '2026-03-02T07:30:00+00:00',
        ], 201)->string('id');
        $clock->sleep(3600);
        $this->call('POST', '/api/runs/'.$run.'/facts', ['stop' => '2026-03-02T08:30:00+00:00'], 201);
        $draft = $this->call('POST', '/api/bench/D/check')->string('id');
        self::assertSame('A unit with a microphone in a calibrator', $this->connect($draft, 'loose-adapter')->string('standIn.title'));
        $this->answer($draft, ['reference' => 'A', 'setting' => '114', 'steps' => ['stopped' => 'done']]);
        $source = ['kind' => 'stand-in'];
        $hear = fn (): Answer => $this->call('POST', '/api/bench/drafts/'.$draft.'/source', ['step' => 'as-found', 'source' => $source]);
        $clock->sleep(5);
        self::assertEqualsWithDelta(42, (float) $hear()->string('channels.0.value'), 5, 'the tone is not on yet');
        $this->answer($draft, ['waits' => ['steady' => 'now']]);
        $clock->sleep(60);
        $heard = $hear();
        self::assertTrue($heard->at('simulated'));
        self::assertFalse($heard->at('channels.0.steady'), $heard->string('channels.0.words'));
        self::assertStringContainsString('still moves', $this->take($draft, 'as-found', $source, 409)->string('detail'));
        $shown = $this->take($draft, 'as-found', $source, 200, true);
        self::assertSame('simulated', $shown->string('answers.asFound.0.provenance'));
        self::assertSame($heard->string('channels.0.value'), $shown->string('answers.asFound.0.value'), 'what was shown is what was taken');
        self::assertStringContainsString('Nothing new', $this->take($draft, 'as-found', $source, 409, true)->string('detail'));
        $this->answer($draft, ['adjusted' => false, 'steps' => Scene::STEPS]);
        $check = $this->accept($draft)->string('check');

        $files = $this->call('GET', '/api/files?of=check&id='.$check);
        self::assertSame('text/plain', $files->string('files.0.type'));
        $page = $this->call('GET', '/api/results/'.$run);
        self::assertContains('noise.drift', array_column($page->list('assessment.findings'), 'rule'));
        self::assertTrue($page->at('run.practice'));
        $this->signIn(Role::Hygienist);
        foreach (['sign', 'void', 'overrule'] as $kind) {
            $refused = $this->call('POST', '/api/results/'.$run.'/decision', [
                'kind' => $kind, 'digest' => $page->at('digest'), 'after' => null, 'reason' => 'to try', 'verdict' => 'void',
            ], 409);
            self::assertStringContainsString('practice', $refused->string('detail'));
        }
        self::assertTrue($this->call('GET', '/api/results')->at('rows.0.practice'));
        self::assertSame(0, $this->call('GET', '/api/results?decided=no')->at('total'), 'it waits for nobody');
        $this->browser->request('GET', '/api/results.csv');
        self::assertStringNotContainsString($run, (string) $this->browser->getResponse()->getContent(), 'it leaves the house in no sheet');
        self::assertSame([], [...$this->service(EvidenceCheck::class)->faults()]);
    }

    /** What the kept lines say is what the reading says: changed by hand, it is no reading of the instrument any more. */
    public function testAReadingOfAnInstrumentStandsOnItsLine(): void
    {
        self::mockTime(self::NOW);
        $this->practise((new Scene())->check('k', '07:00', ['114.0'])->record, false);
        $draft = $this->call('POST', '/api/bench/D/check')->string('id');
        $this->answer($draft, ['reference' => 'A', 'setting' => '114', 'adjusted' => false, 'steps' => Scene::STEPS]);
        self::assertStringContainsString('no practice unit', $this->connect($draft, '', 409)->string('detail'));

        $steady = [...array_fill(0, 25, '114.0'), '114.1'];
        $shown = $this->take($draft, 'as-found', self::port($steady));
        self::assertSame('114.1', $shown->string('answers.asFound.0.value'));
        self::assertSame('from the instrument', $shown->string('answers.asFound.0.provenance'));
        self::assertStringEndsWith(':26', $shown->string('answers.asFound.0.line'));

        $row = ['value' => '113.0', 'provenance' => 'from the instrument', 'line' => $shown->string('answers.asFound.0.line')];
        foreach ([
            $row,
            [...$row, 'value' => '114.1', 'line' => 'F-99999:26'],
            ['value' => '114.1', 'provenance' => 'from the instrument'],
            [...$row, 'value' => '114.1', 'provenance' => 'simulated'],
        ] as $false) {
            $this->answer($draft, ['asFound' => [$false]]);
            $this->acceptDraft($draft, 422);
        }
        $this->answer($draft, ['asFound' => [[...$row, 'value' => '114.1']]]);
        $check = $this->acceptDraft($draft)->string('check');
        $file = $this->call('GET', '/api/files?of=check&id='.$check)->string('files.0.id');
        $this->browser->request('GET', '/api/files/'.$file);
        self::assertSame(self::lines($steady), $this->browser->getResponse()->getContent(), 'byte for byte');
        self::assertContains(
            'taken from the lines that the instrument printed',
            array_column($this->call('GET', '/api/checks/'.$check)->list('values'), 'how'),
        );
    }

    /** Whatever a dangerous day brings: another unit's lines, another unit of measure, another day, a stand-in in disguise. */
    public function testNothingIsTakenThatIsOfAnother(): void
    {
        self::mockTime(self::NOW);
        $this->practise((new Scene())->check('k', '07:00', ['114.0'])->record, false);
        $draft = $this->call('POST', '/api/bench/D/check')->string('id');
        $still = array_fill(0, 30, '114.0');
        foreach ([
            [422, 'lines of OTHER', self::port($still, 'OTHER')],
            [422, 'stand-in printed', self::port($still, more: ',"simulated":true')],
            [409, 'is printed in "mV"', self::port($still, in: 'mV')],
            [409, 'no reading has come', [...self::port($still), 'lines' => base64_encode(str_repeat("{}\n", 30))]],
            [409, 'is watched for 16 s more', self::port(\array_slice($still, 0, 5))],
            [422, 'base64', ['kind' => 'port', 'lines' => '***', 'ago' => []]],
            [422, 'moments of 30 lines', [...self::port($still), 'ago' => [0]]],
            [422, 'milliseconds', [...self::port($still), 'ago' => range(0, 29)]],
            [422, 'at most', [...self::port($still), 'lines' => base64_encode(str_repeat('x', 300_000))]],
            [404, 'Line profile NONE', [...self::port($still), 'profile' => 'NONE']],
            [409, 'No stand-in is connected', ['kind' => 'stand-in']],
            // A file says itself when it was: twenty-five years ago.
            [422, 'which is long ago', ['kind' => 'file', 'lines' => self::port($still)['lines']]],
        ] as [$status, $words, $source]) {
            self::assertStringContainsString($words, $this->take($draft, 'as-found', $source, $status, $status === 422)->string('detail'));
        }
        $morning = str_replace('2001-01-01T00:00:00Z', '2026-03-02T02:00:00Z', self::lines(['114.0']));
        $file = ['kind' => 'file', 'lines' => base64_encode($morning)];
        $this->answer($draft, ['at' => self::NOW]);
        self::assertStringContainsString('and this check is of', $this->take($draft, 'as-found', $file, 422, true)->string('detail'));
        $this->answer($draft, ['at' => '2026-03-02T02:10:00+00:00']);
        $ahead = str_replace('2001-01-01T00:00:00Z', '2026-03-02T09:00:00Z', self::lines(['114.0']));
        $late = ['kind' => 'pasted', 'lines' => base64_encode($ahead)];
        self::assertStringContainsString('yet to come', $this->take($draft, 'as-found', $late, 422, true)->string('detail'));
        $this->call('POST', '/api/bench/drafts/'.$draft.'/take', [
            'version' => 99, 'step' => 'as-found', 'source' => self::port($still),
        ], 409);
        $answers = $this->call('GET', '/api/bench/drafts/'.$draft)->list('answers');
        self::assertSame(['at' => '2026-03-02T02:10:00+00:00'], $answers, 'nothing of it was taken');
        self::assertSame([], $this->call('GET', '/api/files?of=draft&id='.$draft)->list('files'), 'nothing was half kept');
        // Of its own time a file is taken.
        self::assertSame('114.0', $this->take($draft, 'as-found', $file, 200, true)->string('answers.asFound.0.value'));
    }

    /** A unit is for practice from the start or never: otherwise what a stand-in printed would come to be real. */
    public function testPracticeIsNeverCorrectedAway(): void
    {
        self::mockTime(self::NOW);
        $this->practise((new Scene())->check('k', '07:00', ['114.0'])->record);
        $this->signIn(Role::Steward);
        $record = ['model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140', 'practice' => false];
        $refused = $this->call('POST', '/api/kit/instruments/D/correction', ['record' => $record, 'reason' => 'a slip'], 422);
        self::assertStringContainsString('cannot be corrected here', $refused->string('detail'));
        unset($record['practice']);
        $this->call('POST', '/api/kit/instruments/D/correction', ['record' => ['model' => 'N'] + $record, 'reason' => 'a slip'], 204);
        self::assertStringContainsString('Practice unit', $this->call('GET', '/api/kit/instruments/D')->text);
        $this->signIn(Role::Technician);
        $this->connect($this->call('POST', '/api/bench/D/check')->string('id'));
    }

    /** Each channel in its own row, three of the last twenty seconds with their seconds: the plateau stands on record. */
    public function testAFourGasUnitIsCalibratedFromItsStandIn(): void
    {
        $clock = self::mockTime(self::NOW);
        $record = (new GasScene())->check('k', '07:00')->record;
        $this->practise($record);
        $draft = $this->call('POST', '/api/bench/G/check?procedure=gas-calibration')->string('id');
        $this->connect($draft);
        $this->answer($draft, ['zeroSource' => 'outdoor air', 'reference' => 'MIX', 'isobutyleneBottle' => 'ISO']);
        $source = ['kind' => 'stand-in'];
        $clock->sleep(30);
        $zero = $this->take($draft, 'zero-found', $source);
        self::assertSame(['O2', 'LEL', 'CO', 'H2S', 'PID'], array_column($zero->list('answers.zeroFound'), 'channel'));
        // Clean air stands still too: nothing is taken for a gas that came before it was on.
        self::assertStringContainsString('clock is not started', $this->take($draft, 'mix-found', $source, 422)->string('detail'));
        $this->answer($draft, ['waits' => ['mix-found' => 'now']]);
        $clock->sleep(1);
        self::assertStringContainsString('watched for', $this->take($draft, 'mix-found', $source, 409)->string('detail'));
        $clock->sleep(24);
        self::assertStringContainsString('still moves', $this->take($draft, 'mix-found', $source, 409)->string('detail'));
        $clock->sleep(130);
        $mix = $this->take($draft, 'mix-found', $source);
        $of = array_values(array_filter(
            $mix->list('answers.mixFound'),
            static fn (mixed $row): bool => \is_array($row) && ($row['channel'] ?? '') === 'CO',
        ));
        self::assertSame(['135.0', '145.0', '154.0'], array_column($of, 'seconds'), 'on the clock of the gas');
        // Whatever each cell of this one shows: what is said to stand still while it is watched, stands still on record.
        self::assertCount(4, $mix->list('live.said'));
        // What it lost since it was spanned is adjusted away.
        $this->answer($draft, ['mixAdjusted' => true, 'steps' => ['mix-adjust' => 'done']]);
        $this->answer($draft, ['waits' => ['mix-found' => 'now', 'mix-left' => 'now']]);
        $clock->sleep(40);
        $left = $this->take($draft, 'mix-left', $source);
        $this->answer($draft, ['isobutyleneAdjusted' => false, 'steps' => ['mix-adjust' => 'done', 'isobutylene-adjust' => 'done']]);
        $clock->sleep(5);
        $refused = $this->take($draft, 'purged', $source, 409)->string('detail');
        self::assertStringContainsString('watched for', $refused, 'what was before is over');
        self::assertEqualsWithDelta(50, (float) $left->string('answers.mixLeft.8.value'), 1.0);
    }

    /**
     * Each of the other tones is a reading of its own: the next is taken when it stood still since the one before was, never by itself.
     * While something is waited for its readings are looked at, and none is taken.
     */
    public function testTheOtherTonesAreTakenOneByOne(): void
    {
        $clock = self::mockTime(self::NOW);
        $this->practise((new MeterScene())->check('k', '07:00')->record);
        $draft = $this->call('POST', '/api/bench/S/check')->string('id');
        $this->connect($draft);
        $this->answer($draft, ['reference' => 'A', 'setting' => '94', 'weighting' => 'Z', 'waits' => ['steady' => 'now']]);
        $source = ['kind' => 'stand-in'];
        $hear = fn (string $step): Answer => $this->call(
            'POST',
            '/api/bench/drafts/'.$draft.'/source',
            ['step' => $step, 'source' => $source],
        );
        $clock->sleep(30);
        self::assertTrue($hear('steady')->at('channels.0.steady'), 'it is looked at while it is waited for');
        self::assertStringContainsString('takes no readings', $this->take($draft, 'steady', $source, 409)->string('detail'));
        self::assertSame(10, $hear('as-found')->at('every'));
        $this->take($draft, 'as-found', $source);
        $this->answer($draft, ['steps' => ['stopped' => 'done', 'as-found' => 'done']]);
        self::assertNull($hear('further-found')->at('every'));
        $this->take($draft, 'further-found', $source, 409);
        $clock->sleep(40);
        $one = $this->take($draft, 'further-found', $source);
        self::assertSame(['114 @ 1000', '114 @ 250'], array_column($one->list('answers.furtherFound'), 'tone'));
        self::assertEqualsWithDelta(114.0, (float) $one->string('answers.furtherFound.0.value'), 0.6);
        self::assertArrayNotHasKey('value', (array) $one->at('answers.furtherFound.1'));
        // What stood still at the tone before is none of the next.
        $clock->sleep(5);
        self::assertStringContainsString('watched for', $this->take($draft, 'further-found', $source, 409)->string('detail'));
        $clock->sleep(25);
        $both = $this->take($draft, 'further-found', $source);
        self::assertSame($one->at('answers.furtherFound.0'), $both->at('answers.furtherFound.0'));
        self::assertEqualsWithDelta(114.1, (float) $both->string('answers.furtherFound.1.value'), 0.6);
    }

    /** Read by hand, and confirmed later as in a round: what stood at the tone before is still none of the next. */
    public function testWhatWasTypedEndsItsTone(): void
    {
        $clock = self::mockTime(self::NOW);
        $this->practise((new MeterScene())->check('k', '07:00')->record);
        $draft = $this->call('POST', '/api/bench/S/check')->string('id');
        $this->connect($draft);
        $this->answer($draft, ['reference' => 'A', 'setting' => '94', 'weighting' => 'Z', 'waits' => ['steady' => 'now']]);
        $clock->sleep(40);
        $this->answer($draft, ['asFound' => [['value' => '94.0', 'provenance' => 'typed']]]);
        $clock->sleep(5);
        $refused = $this->take($draft, 'further-found', ['kind' => 'stand-in'], 409)->string('detail');
        self::assertStringContainsString('watched for', $refused);
    }

    /**
     * What stands in no list of readings came from lines as well, and says so, as long as nobody types another over it; what says so
     * without a line is not accepted.
     */
    public function testWhatIsNoReadingSaysThatItWasTaken(): void
    {
        $clock = self::mockTime(self::NOW);
        $this->practise((new ParticleScene())->check('k', '07:00')->record);
        $draft = $this->call('POST', '/api/bench/N/check?procedure=size-calibration')->string('id');
        $this->connect($draft, 'spheres-lost');
        $this->answer($draft, ['reference' => 'S']);
        $source = ['kind' => 'stand-in'];
        $clock->sleep(60);
        $this->take($draft, 'flow-found', $source);
        $this->answer($draft, ['flowAdjusted' => false, 'steps' => ['flow-found' => 'done', 'flow-adjust' => 'done']]);
        $clock->sleep(300);
        $blank = $this->take($draft, 'blank', $source);
        self::assertSame('blankMinutes', $blank->string('taken.0.field'));
        self::assertSame('simulated', $blank->string('taken.0.how'));
        $this->answer($draft, [
            'lot' => 'L3',
            'spike' => ['value' => '0.002', 'unit' => 'mL'],
            'jug' => ['value' => '1000', 'unit' => 'mL'],
            'steps' => ['flow-found' => 'done', 'flow-adjust' => 'done', 'blank' => 'done'],
        ]);
        $clock->sleep(5);
        $spheres = $this->take($draft, 'spheres', $source);
        self::assertEqualsWithDelta(0.64 * 1347, (float) $spheres->string('answers.observed'), 40);
        self::assertSame(['blankMinutes', 'observed'], array_column($spheres->list('taken'), 'field'));
        $typed = $this->answer($draft, ['observed' => '1340']);
        self::assertSame(['blankMinutes'], array_column($typed->list('taken'), 'field'));
        $forged = ['field' => 'observed', 'provenance' => 'simulated', 'line' => 'F-00001:1', 'value' => '1340'];
        $this->answer($draft, ['taken' => [$forged]]);
        $steps = ['cleaned', 'cell', 'flow-standard', 'flow-found', 'flow-adjust', 'blank', 'spheres', 'period-back', 'inlet-open'];
        $this->answer($draft, ['steps' => array_fill_keys($steps, 'done')]);
        $refused = $this->accept($draft, 422);
        self::assertSame('/taken/0/provenance', $refused->string('fields.0.field'));
        $this->take($draft, 'spheres', $source, 409);
        $clock->sleep(2);
        $this->take($draft, 'spheres', $source);
        $check = $this->accept($draft)->string('check');
        $values = $this->call('GET', '/api/checks/'.$check)->list('values');
        $came = array_column($values, 'how', 'path');
        self::assertSame('printed by a stand-in: practice', $came['/particle/observed']);
        self::assertNull($came['/particle/spike/value']);
    }

    private function accept(string $draft, int $status = 201): Answer
    {
        return $this->call('POST', '/api/bench/drafts/'.$draft.'/accept', ['version' => $this->version($draft)], $status);
    }
}
