<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\TestCase;

/**
 * People at once on one logbook, through a real server: whatever was told to be kept is there, once; nobody is answered by an
 * internal error; nothing that is kept is stale. `bin/drill together SECONDS` makes it longer.
 */
final class TogetherTest extends TestCase
{
    private string $folder;
    private OwnLogbook $logbook;
    private Beside $beside;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-together-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->logbook = OwnLogbook::in($this->folder);
        $this->beside = new Beside($this->folder, $this->logbook->address);
    }

    protected function tearDown(): void
    {
        $this->logbook->drop();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function testNothingIsLostDoubledOrStale(): void
    {
        $scene = new Scene();
        $unit = ['family' => 'noise-dosimeter', 'model' => 'M', 'microphone' => '1/2 in'];
        $scene->record['instruments'] = [['id' => 'T-0', ...$unit], ['id' => 'T-1', ...$unit], ['id' => 'T-2', ...$unit]];
        file_put_contents($this->folder.'/record.json', json_encode($scene->record, \JSON_THROW_ON_ERROR));
        $this->beside->well('doctrine:migrations:migrate --no-interaction');
        $this->beside->well('footnote:import '.escapeshellarg($this->folder.'/record.json'));
        foreach (['technician', 'hygienist', 'steward'] as $role) {
            $this->beside->well("footnote:person:add $role $role ".strtoupper($role[0]).'-1');
        }
        $said = $this->drill();

        self::assertSame([], $said['faults']);
        self::assertSame([], $said['stale']);
        self::assertGreaterThan(0, \count($said['runs']));
        self::assertGreaterThan(0, \count($said['checks']));
        $told = [];
        foreach ($said['runs'] as [$run, $instrument, $start]) {
            $told[$run] = [$run, $instrument, $start];
        }
        $kept = [];
        foreach ($this->rows('SELECT id, record FROM run ORDER BY id') as [$id, $json]) {
            /** @var array{instrument: string, start: string} $record */
            $record = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
            $kept[$id] = [$id, $record['instrument'], $record['start']];
        }
        ksort($told);
        ksort($kept);
        self::assertSame($told, $kept, 'what was told to be kept is there, and nothing else');
        self::assertCount(\count($kept), array_unique(array_column($kept, 2)), 'each was sent twice, and kept once');
        $checks = array_column($this->rows('SELECT id, id FROM check_record ORDER BY id'), 0);
        sort($said['checks']);
        self::assertSame($said['checks'], $checks);
        self::assertSame('', $this->beside->well('footnote:journal:verify --quiet'));
    }

    /** @return array{faults: list<string>, stale: list<mixed>, runs: list<array{string, string, string}>, checks: list<string>} */
    private function drill(): array
    {
        $served = new Served($this->folder, $this->beside->environment());
        $served->start();
        try {
            $asked = getenv('FOOTNOTE_DRILL');
            $seconds = \is_string($asked) && is_numeric($asked) ? $asked : '3';
            $drill = escapeshellarg(\dirname(__DIR__, 2).'/tools/drill/together.mjs');
            exec(\sprintf('node %s %s %s 2>&1', $drill, $served->address(), $seconds), $out, $status);
            self::assertSame(0, $status, implode("\n", $out));
        } finally {
            $served->stop();
        }
        $json = $out[\count($out) - 1] ?? '';
        if (\is_string($asked)) {
            fwrite(\STDERR, preg_replace('/"(runs|checks)":\[.*?\](?=,")/', '"$1":[]', $json)."\n");
        }

        /** @var array{faults: list<string>, stale: list<mixed>, runs: list<array{string, string, string}>, checks: list<string>} */
        return json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
    }

    /** @return list<array{string, string}> */
    private function rows(string $sql): array
    {
        $found = $this->logbook->open()->query($sql);
        self::assertNotFalse($found);

        /** @var list<array{string, string}> */
        return $found->fetchAll(\PDO::FETCH_NUM);
    }
}
