<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Errands\Hands;
use Footnote\App\Journal\Journal;
use Footnote\App\Journal\JournalEntry;
use Footnote\App\Storage\Cells;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** The console as a person uses it: real processes, a real file, killed where it hurts. */
final class ConsoleTest extends TestCase
{
    private string $folder;
    private OwnLogbook $logbook;
    private string $key = '';

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-console-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->logbook = OwnLogbook::in($this->folder);
    }

    protected function tearDown(): void
    {
        $this->logbook->drop();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function testAssessTellsSuccessFromAnInvalidRecord(): void
    {
        [$status, $out] = $this->console('footnote:assess '.escapeshellarg($this->record()));
        self::assertSame(0, $status, $out);
        $data = json_decode($out, true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($data);
        self::assertSame('footnote-assessment/1', $data['format']);
    }

    #[TestWith(['{"format":"footnote-record/1"}', '/'])]
    #[TestWith(['not json', 'not JSON'])]
    #[TestWith(['', 'not JSON'])]
    public function testAnInvalidRecordIsExitCodeTwo(string $text, string $said): void
    {
        file_put_contents($this->folder.'/bad.json', $text);
        [$status, $out] = $this->console('footnote:assess '.escapeshellarg($this->folder.'/bad.json'));
        self::assertSame(2, $status, $out);
        self::assertStringContainsString($said, $out);
    }

    public function testADayIsPlannedOutOfAFile(): void
    {
        $this->migrated();
        $root = \dirname(__DIR__, 2);
        $file = escapeshellarg($root.'/demo/plans/day.json');
        [$status, $out] = $this->console('footnote:plan '.$file);
        self::assertSame(2, $status, $out);
        self::assertStringContainsString('Nothing was planned. Nothing was saved. Campaign: is not in this logbook.', $out);
        self::assertSame(0, $this->console('footnote:import '.escapeshellarg($this->record()))[0]);
        $asked = json_decode((string) file_get_contents($root.'/demo/plans/day.json'), true, 32, \JSON_THROW_ON_ERROR);
        self::assertIsArray($asked);
        self::assertIsArray($asked['wanted']);
        $asked = [...$asked, 'campaign' => 'c', 'wanted' => \array_slice($asked['wanted'], 0, 1)];
        file_put_contents($this->folder.'/day.json', json_encode($asked, \JSON_THROW_ON_ERROR));
        [$status, $out] = $this->console('footnote:plan '.escapeshellarg($this->folder.'/day.json').' --day 2026-12-04');
        self::assertSame([0, "DP-00001 is planned.\n"], [$status, $out]);
        self::assertSame(2, $this->console('footnote:plan '.escapeshellarg($this->folder.'/none.json'))[0]);
    }

    public function testAFaultyFieldIsNamedByItsPath(): void
    {
        $record = (new \Footnote\Tests\Core\Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '07:00')->record;
        file_put_contents($this->folder.'/bad.json', json_encode($record, \JSON_THROW_ON_ERROR));
        [$status, $out] = $this->console('footnote:assess '.escapeshellarg($this->folder.'/bad.json'));
        self::assertSame(2, $status);
        self::assertStringContainsString('/runs/0/stop', $out);
    }

    /** What is exported is assessed to the same numbers as what was imported. */
    public function testImportThenExportIsTheSameEvidence(): void
    {
        $this->migrated();
        $record = $this->record();
        self::assertSame(0, $this->console('footnote:import '.escapeshellarg($record))[0]);
        self::assertSame(2, $this->console('footnote:import '.escapeshellarg($record))[0], 'twice is refused whole');
        self::assertSame(0, $this->console('footnote:export c '.escapeshellarg($this->folder.'/out'))[0]);
        $numbers = static function (string $json): array {
            $data = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
            self::assertIsArray($data);

            return array_map(
                static fn (mixed $one): array => \is_array($one)
                    ? [
                        $one['verdict'],
                        array_map(
                            static fn (mixed $result): mixed => \is_array($result) ? $result['value'] : null,
                            \is_array($one['results']) ? $one['results'] : [],
                        ),
                    ]
                    : [],
                \is_array($data['assessments']) ? $data['assessments'] : [],
            );
        };
        [$status, $exported] = $this->console('footnote:assess '.escapeshellarg($this->folder.'/out/record.json'));
        self::assertSame(0, $status, $exported);
        self::assertSame($numbers($this->console('footnote:assess '.escapeshellarg($record))[1]), $numbers($exported));
        self::assertSame(file_get_contents($this->folder.'/day.csv'), file_get_contents($this->folder.'/out/logs/r0-day.csv'));
        [$status, $said] = $this->console('footnote:journal:verify');
        self::assertSame(0, $status);
        self::assertStringStartsWith("The journal holds: 1 entries.\nEvery row of evidence is as the journal says", $said);
    }

    /** kill -9 at any moment of an import: afterwards all of it is there or none, and the journal holds. */
    public function testKilledImportLeavesAllOrNothing(): void
    {
        $this->migrated();
        $record = $this->record(6);
        foreach ([150, 250, 350, 450, 600, 800] as $milliseconds) {
            $process = proc_open(
                [\dirname(__DIR__, 2).'/bin/console', 'footnote:import', $record],
                [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
                $pipes,
                null,
                $this->environment(),
            );
            self::assertIsResource($process);
            usleep(1000 * $milliseconds);
            proc_terminate($process, 9);
            proc_close($process);
            $database = $this->logbook->open();
            $runs = $database->query('SELECT COUNT(*) FROM run');
            $journal = $database->query('SELECT COUNT(*) FROM journal_entry');
            self::assertNotFalse($runs);
            self::assertNotFalse($journal);
            self::assertContains([$runs->fetchColumn(), $journal->fetchColumn()], [[0, 0], [6, 1]], "after $milliseconds ms");
            self::assertSame(0, $this->console('footnote:journal:verify')[0]);
        }
    }

    /** Two imports at once wait for each other: both stand, and the chain does not fork. */
    public function testTwoWritersAtOnceDoNotForkTheJournal(): void
    {
        $this->migrated();
        $processes = [];
        foreach (range(1, 4) as $n) {
            $record = (new \Footnote\Tests\Core\Scene())->record;
            $path = $this->folder."/campaign-$n.json";
            file_put_contents(
                $path,
                json_encode([...$record, 'campaign' => ['code' => "c$n", 'title' => "Campaign $n"]], \JSON_THROW_ON_ERROR),
            );
            $process = proc_open(
                [\dirname(__DIR__, 2).'/bin/console', 'footnote:import', $path],
                [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
                $pipes,
                null,
                $this->environment(),
            );
            self::assertIsResource($process);
            $processes[] = $process;
        }
        self::assertSame([0, 0, 0, 0], array_map(proc_close(...), $processes));
        [$status, $said] = $this->console('footnote:journal:verify');
        self::assertSame(0, $status);
        self::assertStringStartsWith("The journal holds: 4 entries.\nEvery row of evidence is as the journal says", $said);
    }

    /** Entries cut off at the end, or out of the middle, are missed. */
    public function testAMissingEntryIsFound(): void
    {
        $this->migrated();
        foreach (range(1, 3) as $n) {
            $record = (new \Footnote\Tests\Core\Scene())->record;
            $path = $this->folder."/campaign-$n.json";
            file_put_contents(
                $path,
                json_encode([...$record, 'campaign' => ['code' => "c$n", 'title' => "Campaign $n"]], \JSON_THROW_ON_ERROR),
            );
            self::assertSame(0, $this->console('footnote:import '.escapeshellarg($path))[0]);
        }
        $database = $this->logbook->open();
        $database->exec('CREATE TABLE kept AS SELECT * FROM journal_entry');
        $database->exec('DELETE FROM journal_entry WHERE sequence = 2');
        self::assertStringContainsString('entry 2 is missing', $this->console('footnote:journal:verify')[1]);
        $database->exec('INSERT INTO journal_entry SELECT * FROM kept WHERE sequence = 2');
        self::assertSame(0, $this->console('footnote:journal:verify')[0]);
        $database->exec('DELETE FROM journal_entry WHERE sequence = 3');
        self::assertStringContainsString('the last entries are missing', $this->console('footnote:journal:verify')[1]);
    }

    /** PostgreSQL sorts by the language of a database, where it was not told otherwise. */
    public function testADatabaseWithAnOrderOfItsOwnIsRefused(): void
    {
        $other = OwnLogbook::in($this->folder, "TEMPLATE template0 LOCALE_PROVIDER icu ICU_LOCALE 'en-US' LOCALE 'C'");
        $this->logbook->drop();
        $this->logbook = $other;
        [$status, $said] = $this->console('doctrine:migrations:migrate --no-interaction');
        self::assertSame($this->logbook->isFile(), $status === 0, $said);
        self::assertSame(!$this->logbook->isFile(), str_contains($said, 'orders texts by a language'), $said);
    }

    public function testATamperedJournalIsFound(): void
    {
        $this->migrated();
        self::assertSame(0, $this->console('footnote:import '.escapeshellarg($this->record()))[0]);
        $this->logbook->open()->exec("UPDATE journal_entry SET actor = 'somebody'");
        [$status, $said] = $this->console('footnote:journal:verify');
        self::assertSame(1, $status);
        self::assertStringContainsString('entry 1 was changed', $said);
    }

    /** A chain that somebody writes anew, with every hash right, has no head by the key; one that is cut does not hold its anchor. */
    public function testAChainWrittenAnewOrCutIsFoundByItsKeyAndItsAnchors(): void
    {
        $this->key = 'a key that lies elsewhere';
        $this->migrated();
        $anchors = $this->folder.'/anchors';
        /** @return array{int, string} */
        $verify = fn (string $with = ''): array => $this->console('footnote:journal:verify '.$with);
        $said = fn (string $with = ''): string => $this->console('footnote:journal:verify '.$with)[1];
        $withAnchors = '--anchor='.escapeshellarg($anchors);
        self::assertSame(0, $this->console('footnote:import '.escapeshellarg($this->record()))[0]);
        self::assertSame(0, $this->console('footnote:journal:anchor '.escapeshellarg($anchors))[0]);
        self::assertSame(0, $this->console('footnote:person:add somebody reader R-1')[0]);
        self::assertSame(0, $this->console('footnote:journal:anchor '.escapeshellarg($anchors))[0]);
        $line = trim($this->console('footnote:journal:anchor')[1]);
        self::assertSame(['footnote-anchor/1', 3], [(new Answer($line))->string('format'), (new Answer($line))->int('sequence')]);
        self::assertSame(0, $verify($withAnchors)[0], $said($withAnchors));

        // Written anew: who did what is another, every hash follows, and the mark of the head is that of before.
        $database = $this->logbook->open();
        $previous = Journal::ROOT;
        $entries = $database->query('SELECT * FROM journal_entry ORDER BY sequence');
        self::assertInstanceOf(\PDOStatement::class, $entries);
        foreach ($entries->fetchAll(\PDO::FETCH_ASSOC) as $entry) {
            self::assertIsArray($entry);
            $told = [
                'at' => Cells::text($entry, 'at'),
                'actor' => 'nobody',
                'kind' => Cells::text($entry, 'kind'),
                'payload' => Cells::text($entry, 'payload'),
                'binds' => Cells::text($entry, 'binds'),
            ];
            $sequence = (int) Cells::text($entry, 'sequence');
            $hash = JournalEntry::hashOf($sequence, $told, $previous);
            $database->prepare('UPDATE journal_entry SET actor = ?, previous = ?, hash = ? WHERE sequence = ?')
                ->execute(['nobody', $previous, $hash, $sequence]);
            $previous = $hash;
        }
        $database->prepare('UPDATE journal_head SET hash = ?')->execute([$previous]);
        self::assertStringContainsString('was not written with the key', $said());
        $database->exec("UPDATE journal_head SET mark = ''");
        self::assertStringContainsString('is not marked by the key', $said());
        self::assertStringContainsString('entry 1, at which it ended', $said($withAnchors));
        self::assertStringContainsString('written anew', $said($withAnchors));
        $this->key = '';
        self::assertSame(0, $verify()[0], 'whoever has no key does not see it');
        self::assertSame(1, $verify($withAnchors)[0], 'but by an anchor');

        // Cut, and made to look whole.
        $this->key = 'a key that lies elsewhere';
        $database->exec('DELETE FROM evidence_bound WHERE sequence > 1');
        $database->exec('DELETE FROM journal_entry WHERE sequence > 1');
        $database->exec('UPDATE journal_head SET sequence = 1, hash = (SELECT hash FROM journal_entry)');
        file_put_contents($anchors, $line."\n");
        self::assertStringContainsString('it was cut', $said($withAnchors));
        // An anchor that somebody made up, and what is none.
        file_put_contents($anchors, str_replace('"sequence":3', '"sequence":1', $line)."\n");
        self::assertStringContainsString('was not written with the key', $said($withAnchors));
        file_put_contents($anchors, "hello\n");
        self::assertStringContainsString('is no anchor', $said($withAnchors));
    }

    private function record(int $runs = 1): string
    {
        $scene = (new \Footnote\Tests\Core\Scene())->check('k1', '07:30', ['114.0'])->check('k2', '2026-03-09T16:30:00', ['114.2']);
        $day = "Time,LAeq\n";
        for ($i = 0; $i < 28800; ++$i) {
            $day .= gmdate('Y-m-d H:i:s', 1772438400 + $i).','.(80 + $i % 17).".0\n";
        }
        file_put_contents($this->folder.'/day.csv', $day);
        for ($i = 0; $i < $runs; ++$i) {
            $scene->run(
                'r'.$i,
                '2026-03-0'.(2 + $i).'T08:00:00',
                '2026-03-0'.(2 + $i).'T16:00:00',
                '90.0',
                [
                    'totals' => null,
                    'log' => [
                        'file' => 'day.csv',
                        'format' => [
                            'delimiter' => ',',
                            'decimal' => '.',
                            'skip' => 1,
                            'columns' => [['place' => 1, 'kind' => 'LAeq']],
                            'time' => [0],
                            'dateOrder' => 'ymd',
                        ],
                    ],
                ],
            );
        }
        file_put_contents($this->folder.'/record.json', json_encode($scene->record, \JSON_THROW_ON_ERROR));

        return $this->folder.'/record.json';
    }

    private function migrated(): void
    {
        self::assertSame(0, $this->console('doctrine:migrations:migrate --no-interaction')[0]);
    }

    /** What is shared out among processes comes to what one of them finds alone; where one fails, nothing is told. */
    public function testWhatARecallWouldChangeIsSharedOut(): void
    {
        $record = escapeshellarg($this->folder.'/many.json');
        exec('php '.escapeshellarg(\dirname(__DIR__, 2).'/tools/bench/make-logbook.php').' 240 '.$record.' 7', $out, $status);
        self::assertSame(0, $status);
        self::assertSame(0, $this->console('doctrine:migrations:migrate --no-interaction --quiet')[0]);
        [$status, $said] = $this->console('footnote:import '.$record);
        self::assertSame(0, $status, $said);
        $id = '0123456789abcdef';
        $beside = $this->folder.'/beside';
        mkdir($beside);
        file_put_contents("$beside/what-if.$id.asked", json_encode([
            'id' => $id,
            'owner' => 'references',
            'recalled' => 'K-1',
            'recall' => ['since' => '2021-01-10T00:00:00+00:00', 'until' => '2021-04-25T00:00:00+00:00', 'reason' => 'r', 'error' => '0.3'],
            'by' => 'S-1',
            'at' => '2026-11-30T00:00:00+00:00',
        ], \JSON_THROW_ON_ERROR));
        [$status, $said] = $this->console('footnote:recall:what-if '.$id);
        self::assertSame(0, $status, $said);
        $told = explode("\n", trim((string) file_get_contents("$beside/what-if.$id.lines")));
        [$status, $alone] = $this->console("footnote:recall:what-if $id 0 1");
        self::assertSame(0, $status, $alone);
        $found = [];
        $done = 0;
        foreach (explode("\n", trim($alone)) as $line) {
            if (ctype_digit($line)) {
                $done += (int) $line;
            } else {
                $found[] = trim((new Answer($line))->string('line'));
            }
        }
        self::assertGreaterThan(40, \count($found));
        self::assertGreaterThanOrEqual(\count($found), $done);
        self::assertEqualsCanonicalizing($found, \array_slice($told, 1));
        self::assertSame(\count($found), array_sum(array_filter((array) (new Answer($told[0]))->at('runs'), \is_int(...))));

        $this->expectException(\RuntimeException::class);
        $hands = new Hands(\dirname(__DIR__, 2), true);
        iterator_to_array($hands->lines([['footnote:recall:what-if', 'nothing', '0', '1']]), false);
    }

    /** @return array{int, string} */
    private function console(string $command): array
    {
        $process = proc_open(
            escapeshellarg(\dirname(__DIR__, 2).'/bin/console').' '.$command.' 2>&1',
            [1 => ['pipe', 'w']],
            $pipes,
            null,
            $this->environment(),
        );
        self::assertIsResource($process);
        $out = (string) stream_get_contents($pipes[1]);

        return [proc_close($process), $out];
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'APP_ENV' => 'dev',
            'FOOTNOTE_SECRET' => 'only-for-tests',
            'FOOTNOTE_DATA' => $this->folder,
            'FOOTNOTE_DATABASE_URL' => $this->logbook->address,
            'FOOTNOTE_JOURNAL_KEY' => $this->key,
            'FOOTNOTE_PASSWORD' => 'a-long-password-1',
            'PATH' => (string) getenv('PATH'),
        ];
    }
}
