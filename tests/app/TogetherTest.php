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

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-together-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->logbook = OwnLogbook::in($this->folder);
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
        $this->console('doctrine:migrations:migrate --no-interaction');
        $this->console('footnote:import '.escapeshellarg($this->folder.'/record.json'));
        foreach (['technician', 'hygienist', 'steward'] as $role) {
            $this->console("footnote:person:add $role $role ".strtoupper($role[0]).'-1');
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
        self::assertSame('', $this->console('footnote:journal:verify --quiet'));
    }

    /** @return array{faults: list<string>, stale: list<mixed>, runs: list<array{string, string, string}>, checks: list<string>} */
    private function drill(): array
    {
        $port = random_int(20000, 40000);
        $root = \dirname(__DIR__, 2);
        $server = proc_open(
            ['php', '-d', 'variables_order=EGPCS', '-S', "127.0.0.1:$port", '-t', 'public', 'tools/router.php'],
            [['file', '/dev/null', 'r'], ['file', $this->folder.'/server.log', 'w'], ['file', $this->folder.'/server.log', 'a']],
            $pipes,
            $root,
            [...$this->environment(), 'PHP_CLI_SERVER_WORKERS' => '4'],
        );
        self::assertIsResource($server);
        try {
            for ($try = 0; $try < 100 && @fsockopen('127.0.0.1', $port) === false; ++$try) {
                usleep(50000);
            }
            $asked = getenv('FOOTNOTE_DRILL');
            $seconds = \is_string($asked) && is_numeric($asked) ? $asked : '3';
            exec(
                \sprintf('node %s http://127.0.0.1:%d %s 2>&1', escapeshellarg($root.'/tools/drill/together.mjs'), $port, $seconds),
                $out,
                $status,
            );
            self::assertSame(0, $status, implode("\n", $out));
        } finally {
            exec('pkill -f '.escapeshellarg("php.*127.0.0.1:$port"));
            proc_close($server);
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

    private function console(string $command): string
    {
        $set = '';
        foreach ($this->environment() as $name => $value) {
            $set .= $name.'='.escapeshellarg($value).' ';
        }
        exec('cd '.escapeshellarg(\dirname(__DIR__, 2)).' && '.$set.'bin/console '.$command.' 2>&1', $out, $status);
        self::assertSame(0, $status, implode("\n", $out));

        return implode("\n", $out);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'PATH' => (string) getenv('PATH'),
            'APP_ENV' => 'prod',
            'FOOTNOTE_DATA' => $this->folder,
            'FOOTNOTE_DATABASE_URL' => $this->logbook->address,
            'FOOTNOTE_SECRET' => 'only-for-tests',
            'FOOTNOTE_JOURNAL_KEY' => (string) getenv('FOOTNOTE_JOURNAL_KEY'),
            'FOOTNOTE_PASSWORD' => 'sallow-mill-2026',
        ];
    }
}
