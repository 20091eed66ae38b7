<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\Tests\Core\Scene;

/** One log under two units is asked of both at once, and a person's word on one reaches the other. */
final class LogOwnerApiTest extends ApiTestCase
{
    private const DAY = '2026-03-02';

    private static function log(string $head): string
    {
        $lines = [$head];
        for ($minute = 0; $minute < 480; ++$minute) {
            $lines[] = \sprintf('%s %02d:%02d:00,%.1f', self::DAY, 8 + intdiv($minute, 60), $minute % 60, 80 + $minute % 7);
        }

        return implode("\n", $lines)."\n";
    }

    private function upload(string $run, string $log, string $reason = ''): void
    {
        $format = [
            'delimiter' => ',', 'decimal' => '.', 'skip' => 1, 'time' => [0], 'dateOrder' => 'ymd',
            'columns' => [['place' => 1, 'kind' => 'LAeq', 'header' => 'LAeq']],
        ];
        $this->call('POST', "/api/runs/$run/log", status: 201, raw: $log, headers: [
            'X-Log-Format' => rawurlencode(json_encode($format, \JSON_THROW_ON_ERROR)),
            'X-Log-Name' => 'day.csv',
            'X-Reason' => rawurlencode($reason),
        ]);
    }

    /** @return list<string> severities and first words of what was found about whose log it is */
    private function whose(string $run): array
    {
        $found = [];
        foreach ($this->call('GET', '/api/results/'.$run)->list('assessment.findings') as $finding) {
            if (\is_array($finding) && $finding['rule'] === 'log.whose' && \is_string($finding['severity'])) {
                $found[] = $finding['severity'].($finding['cure'] === null ? '' : ', curable');
            }
        }

        return $found;
    }

    private function two(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('d', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        $unit = ['family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'rangeHigh' => '140'];
        $scene->record['instruments'] = [[...$unit, 'id' => 'D', 'serial' => '20417'], [...$unit, 'id' => 'E']];
        $scene->run('e', '08:00', '16:00', '90.0', ['instrument' => 'E', 'person' => 'W-02']);
        $this->import($scene);
        $this->signIn(Role::Technician);
    }

    public function testAWordOnOneRunReachesTheOther(): void
    {
        $this->two();
        $this->upload('d', self::log('Time,LAeq'));
        self::assertSame([], $this->whose('d'));
        $this->upload('e', self::log('Time,LAeq'));
        self::assertSame([['void, curable'], ['void, curable']], [$this->whose('d'), $this->whose('e')]);
        self::assertSame('open', $this->call('GET', '/api/results/d')->string('assessment.verdict'));

        $word = ['logWord' => ['isOwn' => true, 'reason' => 'read off D at the bench']];
        $this->call('POST', '/api/runs/d/facts', $word, 403);
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/runs/d/facts', ['logWord' => ['isOwn' => true, 'reason' => '']], 422);
        self::assertSame('H-1', $this->call('POST', '/api/runs/d/facts', $word, 201)->string('logWord.by'));
        self::assertSame([['note'], ['void, curable']], [$this->whose('d'), $this->whose('e')]);
        $this->call('POST', '/api/runs/e/facts', ['logWord' => ['isOwn' => false, 'reason' => 'the wrong dock']], 201);
        self::assertSame([[], ['void']], [$this->whose('d'), $this->whose('e')]);

        // Its own log in place of the wrong one: what was said of the first is not said of the second.
        $this->signIn(Role::Technician);
        $this->upload('e', str_replace(',80.0', ',80.2', self::log('Time,LAeq')), 'the wrong file');
        self::assertNull($this->call('GET', '/api/runs/e')->at('logWord'));
        self::assertSame([[], []], [$this->whose('d'), $this->whose('e')]);
    }

    public function testASerialNumberIsAskedOnceItsUnitIsKnown(): void
    {
        $this->two();
        // E states no serial number, and D's is written in the head.
        $this->upload('e', self::log('Serial: 20417'));
        self::assertSame(['void, curable'], $this->whose('e'));
        $this->upload('e', self::log('Meter box 30555'), 'the wrong file');
        self::assertSame([], $this->whose('e'));
        // A unit that is registered later may be the one that the head names.
        $this->call(
            'POST',
            '/api/kit/instruments',
            ['id' => 'F', 'family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in', 'serial' => '30555'],
            201,
        );
        self::assertSame(['void, curable'], $this->whose('e'));
        self::assertSame('Serial number', $this->call('GET', '/api/kit/instruments/F')->string('traits.0.label'));
        // Without a log there is nothing to say whose it is.
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/runs/d/facts', ['logWord' => ['isOwn' => true, 'reason' => 'x']], 422);
    }
}
