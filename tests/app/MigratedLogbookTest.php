<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** A logbook of an earlier day, opened by today's application: nothing is lost, and what was signed stays byte for byte. */
#[Group('sqlite')]
final class MigratedLogbookTest extends TestCase
{
    private const FIXTURE = __DIR__.'/../fixtures/logbook-2026-11-28.sqlite.gz';
    /** Tables that hold no evidence: they may be made again, or forgotten. */
    private const NO_EVIDENCE = ['worked_run', 'sign_in_attempt', 'doctrine_migration_versions', 'check_draft'];

    private static string $folder;

    public static function setUpBeforeClass(): void
    {
        self::$folder = sys_get_temp_dir().'/footnote-migrated-'.bin2hex(random_bytes(6));
        mkdir(self::$folder.'/sessions', 0o755, true);
        $packed = file_get_contents(self::FIXTURE);
        self::assertIsString($packed);
        $bytes = gzdecode($packed);
        self::assertIsString($bytes);
        file_put_contents(self::$folder.'/before.sqlite', $bytes);
        file_put_contents(self::$folder.'/footnote.sqlite', $bytes);
        [$status, $said] = self::console('doctrine:migrations:migrate --no-interaction');
        self::assertSame(0, $status, $said);
    }

    public static function tearDownAfterClass(): void
    {
        exec('rm -rf '.escapeshellarg(self::$folder));
    }

    /** Whatever a row of evidence said before, it says still; there are no fewer and no more of them. */
    public function testNothingIsLost(): void
    {
        $before = self::open('before.sqlite');
        $after = self::open('footnote.sqlite');
        $tables = self::column($before, "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name");
        self::assertContains('decision', $tables);
        foreach (array_diff($tables, self::NO_EVIDENCE) as $table) {
            // By which key runs of a person are found is worked out anew; where a run stands has a table of its own since.
            $columns = implode(
                ', ',
                array_map(
                    static fn (string $column): string => '"'.$column.'"',
                    array_diff(
                        self::column($before, "SELECT name FROM pragma_table_info('$table')"),
                        ['shift_key', 'stopped_at', 'medium'],
                    ),
                ),
            );
            self::assertSame(
                self::digests($before, "SELECT $columns FROM \"$table\""),
                self::digests($after, "SELECT $columns FROM \"$table\""),
                $table,
            );
        }
    }

    /** What is known of runs as their facts have it stands beside them, and every reference knows which units lean on it. */
    public function testWhereRunsStandIsKnown(): void
    {
        $after = self::open('footnote.sqlite');
        self::assertSame(
            self::column(
                self::open('before.sqlite'),
                "SELECT id || COALESCE(stopped_at || '.000000', '') || COALESCE(medium, '') FROM run ORDER BY id",
            ),
            self::column($after, "SELECT run_id || COALESCE(stopped_at, '') || COALESCE(medium, '') FROM run_state ORDER BY run_id"),
        );
        self::assertSame([], self::column(
            $after,
            'SELECT l.check_id FROM check_leaning l JOIN check_record c ON c.id = l.check_id'
                ." WHERE l.instrument_id <> c.instrument_id OR l.checked_at <> c.checked_at || '.000000'",
        ));
    }

    public function testWhatWasSignedStaysByteForByte(): void
    {
        $logbook = self::open('footnote.sqlite');
        $snapshots = self::column($logbook, 'SELECT snapshot FROM decision ORDER BY id');
        self::assertCount(20, $snapshots);
        self::assertSame(
            self::column($logbook, 'SELECT snapshot_digest FROM decision ORDER BY id'),
            array_map(static fn (string $snapshot): string => hash('sha256', (string) gzuncompress($snapshot)), $snapshots),
        );
        [$status, $said] = self::console('footnote:journal:verify');
        self::assertSame(0, $status, $said);
        self::assertStringContainsString('No row of evidence is bound yet', $said);
    }

    /** The first that is written after the upgrade binds what was there before it: from then on a change of any of it is noticed. */
    public function testWhatIsOlderIsSealedByTheFirstChange(): void
    {
        copy(self::$folder.'/footnote.sqlite', self::$folder.'/unsealed.sqlite');
        try {
            putenv('FOOTNOTE_PASSWORD=a-long-password-of-somebody');
            [$status, $said] = self::console('footnote:person:add newcomer reader N-1');
            self::assertSame(0, $status, $said);
            $logbook = self::open('footnote.sqlite');
            self::assertSame(
                ['evidence sealed', 'person added', 'password chosen'],
                array_reverse(self::column($logbook, 'SELECT kind FROM journal_entry ORDER BY sequence DESC LIMIT 3')),
            );
            self::assertStringContainsString('Every row of evidence is as the journal says', self::console('footnote:journal:verify')[1]);
            $logbook->exec("UPDATE check_record SET recorded_by = 'other' WHERE id = (SELECT MIN(id) FROM check_record)");
            [$status, $said] = self::console('footnote:journal:verify');
            self::assertSame(1, $status);
            self::assertMatchesRegularExpression('/check_record \\S+ was changed since entry/', $said);
        } finally {
            putenv('FOOTNOTE_PASSWORD');
            copy(self::$folder.'/unsealed.sqlite', self::$folder.'/footnote.sqlite');
        }
    }

    /** Every run of every campaign is read and judged as it lies there, and goes out as a record that can be assessed. */
    public function testEveryRunIsReadAndJudged(): void
    {
        $logbook = self::open('footnote.sqlite');
        foreach (self::column($logbook, 'SELECT id FROM campaign ORDER BY id') as $campaign) {
            [$status, $said] = self::console('footnote:work-out '.escapeshellarg($campaign));
            self::assertSame(0, $status, $said);
            [$status, $said] = self::console('footnote:export '.escapeshellarg($campaign).' '.escapeshellarg(self::$folder.'/'.$campaign));
            self::assertSame(0, $status, $said);
            self::assertSame(0, self::console('footnote:assess '.escapeshellarg(self::$folder.'/'.$campaign.'/record.json'))[0]);
        }
        self::assertSame(
            self::column($logbook, 'SELECT id FROM run ORDER BY id'),
            self::column($logbook, "SELECT DISTINCT run_id FROM worked_run WHERE verdict <> '' ORDER BY run_id"),
        );
    }

    /** @return list<string> a digest of each row, sorted */
    private static function digests(\PDO $connection, string $sql): array
    {
        $digests = [];
        foreach (self::query($connection, $sql)->fetchAll(\PDO::FETCH_NUM) as $row) {
            $digests[] = hash('sha256', serialize($row));
        }
        sort($digests);

        return $digests;
    }

    /** @return list<string> */
    private static function column(\PDO $connection, string $sql): array
    {
        return array_values(array_filter(self::query($connection, $sql)->fetchAll(\PDO::FETCH_COLUMN), \is_string(...)));
    }

    private static function query(\PDO $connection, string $sql): \PDOStatement
    {
        $found = $connection->query($sql);
        self::assertInstanceOf(\PDOStatement::class, $found);

        return $found;
    }

    private static function open(string $file): \PDO
    {
        return new \PDO('sqlite:'.self::$folder.'/'.$file, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
    }

    /** @return array{int, string} */
    private static function console(string $arguments): array
    {
        $root = \dirname(__DIR__, 2);
        $environment = 'FOOTNOTE_DATABASE_URL='.escapeshellarg(
            'sqlite:///'.self::$folder.'/footnote.sqlite',
        ).' FOOTNOTE_DATA='.escapeshellarg(self::$folder).' FOOTNOTE_SECRET=only-for-tests FOOTNOTE_JOURNAL_KEY= APP_ENV=prod';
        exec("$environment ".escapeshellarg($root.'/bin/console')." $arguments 2>&1", $lines, $status);

        return [$status, implode("\n", $lines)];
    }

    /** Rows that the journal bound before an upgrade are what they were after it, and people are who they were. */
    public function testWhatWasBoundHoldsAfterAnUpgrade(): void
    {
        $folder = self::$folder.'/bound';
        mkdir($folder);
        file_put_contents($folder.'/footnote.sqlite', (string) gzdecode(
            (string) file_get_contents(__DIR__.'/../fixtures/logbook-2026-11-29.sqlite.gz'),
        ));
        $beside = new Beside($folder, 'sqlite:///'.$folder.'/footnote.sqlite', 'key-of-the-fixture');
        $beside->well('doctrine:migrations:migrate');
        self::assertStringContainsString('bound from entry 1 on', $beside->well('footnote:journal:verify --all'));
        self::assertStringContainsString('technician  T-1  technician', $beside->well('footnote:person'));
        $served = new Served($folder, $beside->environment());
        $served->start(workers: 2);
        try {
            self::assertSame(200, $served->signIn('technician', Beside::PASSWORD));
            self::assertCount(1, $served->ask('GET', '/api/results/S-00001')[1]->list('decisions'));
        } finally {
            $served->stop();
        }
        $beside->well('footnote:person technician --roles=technician,steward --reason="stands in"');
        self::assertStringContainsString('technician  T-1  technician, steward', $beside->well('footnote:person'));
        self::assertStringContainsString('The journal holds', $beside->well('footnote:journal:verify --all'));
    }
}
