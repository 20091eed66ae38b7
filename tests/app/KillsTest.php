<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Killed in the middle of writing, again and again: what was told to be kept is there, nothing is half there, and the journal holds.
 * FOOTNOTE_DRILL says how often each, FOOTNOTE_SEED when.
 */
final class KillsTest extends TestCase
{
    private string $folder;
    private OwnLogbook $logbook;
    private Beside $beside;
    private Randomizer $random;
    private ?Served $served = null;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-kills-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->logbook = OwnLogbook::in($this->folder);
        $this->beside = new Beside($this->folder, $this->logbook->address);
        $this->random = new Randomizer(new Mt19937(Drill::asked('FOOTNOTE_SEED', 7)));
    }

    protected function tearDown(): void
    {
        $this->served?->stop(9);
        $this->logbook->drop();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function testTheServer(): void
    {
        $this->made();
        $kept = [];
        $served = $this->served = new Served($this->folder, $this->beside->environment());
        $kills = Drill::asked('FOOTNOTE_DRILL', 3);
        for ($kill = 0; $kill < $kills; ++$kill) {
            $served->start();
            self::assertSame(200, $kill === 0 ? $served->signIn('hygienist', Beside::PASSWORD) : 200);
            self::assertSame(200, $served->ask('GET', '/api/day')[0], 'a kill signs nobody out');
            $killer = $this->killer($served, $this->random->getInt(20, 900) * 1000);
            do {
                $at = (new \DateTimeImmutable('2026-03-03T00:00:00Z'))->modify('+'.\count($kept).' minutes')->format(\DATE_ATOM);
                [$status, $said] = $served->ask(
                    'POST',
                    '/api/bench/D/interventions',
                    ['kind' => 'repaired', 'at' => $at, 'note' => 'n'.\count($kept)],
                );
                if ($status === 201) {
                    $kept[] = 'n'.\count($kept);
                }
            } while ($status === 201);
            self::assertSame(0, $status, $said->text);
            proc_close($killer);
            $served->stop(9);
        }
        $there = [];
        $found = $this->logbook->open()->query('SELECT record FROM intervention ORDER BY id');
        self::assertNotFalse($found);
        foreach ($found->fetchAll(\PDO::FETCH_COLUMN) as $record) {
            $there[] = (new Answer(\is_string($record) ? $record : '{}'))->string('note');
        }
        self::assertSame([], array_values(array_diff($kept, $there)), 'what was told to be kept is there');
        self::assertLessThanOrEqual(\count($kept) + $kills, \count($there), 'and of each kill at most the one that was not answered');
        self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify --all'));
        self::tell($kills, \count($kept).' changes were kept');
    }

    /** Whole or not at all; and it can be taken in afterwards. */
    public function testAnImport(): void
    {
        $this->beside->well('doctrine:migrations:migrate');
        $record = $this->record();
        $kills = Drill::asked('FOOTNOTE_DRILL', 4);
        $whole = 0;
        for ($kill = 0; $kill < $kills; ++$kill) {
            $this->beside->killed(['footnote:import', $record], $this->random->getInt(150, 900) * 1000);
            $runs = (int) $this->one('SELECT COUNT(*) FROM run');
            $checks = (int) $this->one('SELECT COUNT(*) FROM check_record');
            self::assertContains([$runs, $checks], [[0, 0], [40, 41]]);
            if ($runs > 0) {
                ++$whole;
                self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify --all'));
                $this->logbook->drop();
                $this->again();
            }
        }
        $this->beside->well('footnote:import '.escapeshellarg($record));
        self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify --all'));
        self::tell($kills, $whole.' were done before');
    }

    public function testALaboratorysReport(): void
    {
        $scene = (new AirScene())->check('k4', '07:30', ['2.0'])->run('a1', '08:00', '14:00')->check('k5', '14:10', ['2.0']);
        file_put_contents($this->folder.'/air.json', json_encode($scene->record, \JSON_THROW_ON_ERROR));
        $this->beside->well('doctrine:migrations:migrate');
        $this->beside->well('footnote:import '.escapeshellarg($this->folder.'/air.json'));
        $lines = "Sample;Analyte;Result;Unit\n";
        for ($i = 0; $i < 3000; ++$i) {
            $lines .= \sprintf("M-%05d;toluene;%d;ug\n", $i, 100 + $i);
        }
        file_put_contents($this->folder.'/report.csv', $lines);
        $command = [
            'footnote:laboratory', $this->folder.'/report.csv', '--number=L-1', '--laboratory=Lab', '--received=2026-03-04',
            '--blank-corrected=no', '--desorption-corrected=yes', '--as-guessed', '--reason=again',
        ];
        $kills = Drill::asked('FOOTNOTE_DRILL', 3);
        for ($kill = 0; $kill < $kills; ++$kill) {
            $this->beside->killed($command, $this->random->getInt(150, 700) * 1000);
            self::assertSame(0, (int) $this->one('SELECT COUNT(*) FROM laboratory_row') % 3000);
            self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify'));
        }
        $this->beside->well(implode(' ', array_map(escapeshellarg(...), $command)));
        self::assertSame(0, (int) $this->one('SELECT COUNT(*) FROM laboratory_row') % 3000);
        self::tell($kills, 'no half report');
    }

    /** A backup that was killed is no backup; one that is there holds. */
    public function testABackup(): void
    {
        $this->made();
        $kills = Drill::asked('FOOTNOTE_DRILL', 3);
        $done = 0;
        for ($kill = 0; $kill < $kills; ++$kill) {
            $file = $this->folder.'/copy'.$kill;
            $this->beside->killed(['footnote:backup', $file], $this->random->getInt(150, 1200) * 1000);
            if (is_file($file)) {
                ++$done;
                mkdir($this->folder.'/restored'.$kill);
                $other = OwnLogbook::in($this->folder.'/restored'.$kill);
                $this->beside->well('footnote:restore '.escapeshellarg($file), $other->address);
                $other->drop();
            }
        }
        $this->beside->well('footnote:backup '.escapeshellarg($this->folder.'/copy'));
        self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify'));
        self::tell($kills, $done.' were done before');
    }

    /** A migration that was killed goes on where it stood, with every row. */
    #[Group('sqlite')]
    public function testAMigration(): void
    {
        $old = (string) gzdecode((string) file_get_contents(\dirname(__DIR__).'/fixtures/logbook-2026-11-28.sqlite.gz'));
        $kills = Drill::asked('FOOTNOTE_DRILL', 2);
        for ($kill = 0; $kill < $kills; ++$kill) {
            file_put_contents($this->folder.'/footnote.sqlite', $old);
            $checks = $this->one('SELECT COUNT(*) FROM check_record');
            $this->beside->killed(['doctrine:migrations:migrate'], $this->random->getInt(100, 700) * 1000);
            self::assertSame($checks, $this->one('SELECT COUNT(*) FROM check_record'));
            $this->beside->well('doctrine:migrations:migrate');
            self::assertSame($checks, $this->one('SELECT COUNT(*) FROM check_record'));
            self::assertSame('ok', $this->one('PRAGMA integrity_check'));
            // The first that is written afterwards seals what was there before rows were bound.
            $this->beside->well('footnote:person:add somebody reader N-9');
            self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify'));
            exec('rm -f '.escapeshellarg($this->folder).'/footnote.sqlite*');
        }
        self::tell($kills, 'every row is there');
    }

    private static function tell(int $kills, string $said): void
    {
        if (getenv('FOOTNOTE_DRILL') !== false) {
            fwrite(\STDERR, \sprintf("%d kills, %s\n", $kills, $said));
        }
    }

    private function made(): void
    {
        $this->beside->well('doctrine:migrations:migrate');
        $this->beside->well('footnote:import '.escapeshellarg($this->record()));
        $this->beside->well('footnote:person:add hygienist hygienist,steward H-1');
    }

    private function again(): void
    {
        if ($this->logbook->isFile()) {
            exec('rm -f '.escapeshellarg($this->folder).'/footnote.sqlite*');
        }
        $this->logbook = OwnLogbook::in($this->folder);
        $this->beside = new Beside($this->folder, $this->logbook->address);
        $this->beside->well('doctrine:migrations:migrate');
    }

    /** Forty runs of one unit. */
    private function record(): string
    {
        $scene = (new Scene())->check('k0', '07:00', ['114.0']);
        for ($i = 0; $i < 40; ++$i) {
            $scene->run(
                'r'.$i,
                \sprintf('%02d:%02d', 8 + intdiv($i, 4), 15 * ($i % 4)),
                \sprintf('%02d:%02d', 8 + intdiv($i, 4), 15 * ($i % 4) + 5),
            );
            $scene->check('k'.($i + 1), \sprintf('%02d:%02d', 8 + intdiv($i, 4), 15 * ($i % 4) + 7), ['114.0']);
        }
        file_put_contents($this->folder.'/record.json', json_encode($scene->record, \JSON_THROW_ON_ERROR));

        return $this->folder.'/record.json';
    }

    /** @return resource that kills the server after a while */
    private function killer(Served $served, int $microseconds): mixed
    {
        $process = proc_open(
            ['sh', '-c', \sprintf('sleep %.3f; kill -9 -%d', $microseconds / 1e6, $served->group())],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        self::assertIsResource($process);

        return $process;
    }

    private function one(string $sql): string
    {
        $found = $this->logbook->open()->query($sql);
        self::assertNotFalse($found);
        $value = $found->fetchColumn();

        return \is_scalar($value) ? (string) $value : '';
    }
}
