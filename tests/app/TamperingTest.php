<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Role;
use Footnote\App\Journal\Binding;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\ProjectionCheck;
use Footnote\App\Logbook\Release;
use Footnote\App\Storage\Bound;
use Footnote\App\Storage\BoundTable;
use Footnote\App\Storage\BoundTables;
use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\Scene;

/** Whatever is changed behind the application's back is noticed by the journal: each column of each table, a row more, a row less. */
final class TamperingTest extends ApiTestCase
{
    /** Tables that hold no evidence: what is in them is worked out from it, or is forgotten. */
    private const NO_EVIDENCE = [
        'calendar_address', 'check_draft', 'check_round', 'day_plan', 'day_plan_version', 'unit_timer',
        'check_leaning', 'check_mark', 'evidence_bound', 'instrument_state', 'journal_entry', 'journal_head',
        'number_given', 'person_secret', 'release_followed', 'request_made', 'run_state', 'sign_in_attempt', 'unit_line', 'worked_run',
    ];

    private function connection(): Connection
    {
        return $this->service(Connection::class);
    }

    private function fault(): ?string
    {
        return $this->service(Journal::class)->verify()['fault'];
    }

    /** What a change behind the application's back makes the journal say; afterwards it is undone. */
    private function noticed(string $sql, mixed ...$values): ?string
    {
        $this->connection()->beginTransaction();
        try {
            $this->connection()->executeStatement($this->connection()->getDatabasePlatform() instanceof SQLitePlatform
                ? 'PRAGMA defer_foreign_keys = ON'
                : "SET LOCAL session_replication_role = 'replica'");
            self::assertGreaterThan(0, $this->connection()->executeStatement($sql, array_values($values)), $sql);

            return $this->fault();
        } finally {
            $this->connection()->rollBack();
        }
    }

    /** A logbook in which most tables hold a row: imported, typed, judged and decided. */
    private function fill(): void
    {
        $scene = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0']);
        $scene->intervention('i', '17:00', 'repaired')->check('k3', '17:30', ['114.0']);
        $own = [
            'routine' => 'laboratory calibration', 'every' => '2', 'unit' => 'years', 'since' => '2026-01-01',
            'source' => 's', 'by' => 'S-1',
        ];
        $references = $scene->record['references'];
        \assert(\is_array($references) && \is_array($references[0]));
        $scene->record['references'] = [
            [...$references[0], 'intervals' => [$own], 'recalls' => [
                ['since' => '2020-01-01T00:00:00Z', 'until' => '2020-01-02T00:00:00Z', 'reason' => 'fell'],
            ]],
            $references[1],
        ];
        $this->import($scene);
        $air = (new AirScene())
            ->check('k4', '07:30', ['2.0'])->run('a1', '08:00', '14:00')->check('k5', '14:10', ['2.0'])->found('a1', '500');
        $air->record['campaign'] = ['code' => 'air', 'title' => 'air', 'criteria' => [], 'limits' => []];
        $this->importRecord($air->record);
        $this->signIn(Role::Technician);
        $this->call('POST', '/api/bench/checks/k3/set-aside', ['reason' => 'bad seal'], 204);
        $this->call('POST', '/api/runs/r1/facts', ['plannedMinutes' => 480, 'reason' => 'told later'], 201);
        $this->signIn(Role::Steward);
        $this->call('POST', '/api/people', ['name' => 'newcomer', 'code' => 'N-1', 'roles' => ['reader']], 201);
        $this->signIn(Role::Hygienist);
        $page = $this->call('GET', '/api/results/r1');
        $this->call('POST', '/api/results/r1/decision', [
            'kind' => 'void', 'reason' => 'worn by another', 'digest' => $page->string('digest'),
        ], 201);
        self::assertNull($this->fault(), 'what the application wrote holds');
    }

    /** What is made of evidence is no evidence, and is made again and compared. */
    public function testWhatIsMadeOfEvidenceIsComparedToo(): void
    {
        $this->fill();
        $this->call('POST', '/api/session/password', ['now' => self::PASSWORD, 'password' => 'organ pipes of 1887'], 204);
        $this->call('POST', '/api/session/begin', ['name' => 'hygienist', 'password' => 'organ pipes of 1887']);
        $check = $this->service(ProjectionCheck::class);
        foreach (['r1', 'a1'] as $run) {
            $this->call('GET', '/api/results/'.$run);
        }
        self::assertSame([], $check->faults());
        foreach ([
            "UPDATE run_state SET stopped_at = NULL WHERE run_id = 'r1'" => 'where run r1 stands',
            "UPDATE run_state SET started_at = '2026-03-02 07:59:00.000000' WHERE run_id = 'r1'" => 'where run r1 stands',
            "UPDATE run_state SET shift_key = 'x' WHERE run_id = 'r1'" => 'where run r1 stands',
            "UPDATE run_state SET medium = 'x' WHERE run_id = 'a1'" => 'where run a1 stands',
            'DELETE FROM check_leaning' => 'leans on is not what it says',
            "UPDATE check_leaning SET checked_at = '2020-01-01 00:00:00.000000'" => 'leans on is not what it says',
            "UPDATE worked_run SET verdict = 'corrected' WHERE run_id = 'a1'" => 'kept of run a1',
            "UPDATE worked_run SET said = 'x' WHERE run_id = 'r1'" => 'kept of run r1',
            "UPDATE worked_run SET digest = 'x' WHERE run_id = 'r1'" => 'kept of run r1',
            "UPDATE worked_run SET summary = '{}' WHERE run_id = 'r1'" => 'kept of run r1',
            "UPDATE worked_run SET body = (SELECT w.body FROM worked_run w WHERE w.run_id <> 'r1' LIMIT 1)" => 'kept of run r1',
            "UPDATE person_secret SET password = 'x' WHERE person = 'hygienist'" => 'what hygienist signs in by',
            "INSERT INTO number_given (prefix, last) VALUES ('R-', 99)" => 'R-00099 is the last number',
        ] as $sql => $said) {
            $this->connection()->beginTransaction();
            $this->connection()->executeStatement($sql);
            self::assertStringContainsString($said, implode("\n", $check->faults()), $sql);
            $this->connection()->rollBack();
        }
        self::assertSame([], $check->faults());
    }

    public function testEachTableIsEvidenceOrSaidToBeNone(): void
    {
        $bound = [];
        foreach ($this->service(EntityManagerInterface::class)->getMetadataFactory()->getAllMetadata() as $row) {
            if ($row->getReflectionClass()->getAttributes(Bound::class) === []) {
                self::assertContains($row->getTableName(), self::NO_EVIDENCE);
            } else {
                $bound[] = $row->getTableName();
            }
        }
        self::assertSame([], array_intersect($bound, self::NO_EVIDENCE));
        self::assertGreaterThan(20, \count($bound));
    }

    public function testEachColumnOfEachTableIsBound(): void
    {
        $this->fill();
        $tried = [];
        foreach ($this->service(BoundTables::class)->all() as $class => $table) {
            $metadata = $this->service(EntityManagerInterface::class)->getClassMetadata($class);
            $key = $this->connection()->fetchOne(\sprintf('SELECT %s FROM %s t', $table->keyOf('t'), $table->name));
            if ($key === false) {
                continue;
            }
            $where = \sprintf('%s = ?', str_replace('t.', '', $table->keyOf('t')));
            foreach ($metadata->getFieldNames() as $field) {
                $column = $metadata->getColumnName($field);
                $apart = $metadata->getReflectionClass()->getAttributes(Bound::class)[0]->newInstance()->apart;
                if (\in_array($column, $apart, true)) {
                    continue;
                }
                $other = match ($metadata->getTypeOfField($field)) {
                    'json' => "'{\"x\": 1}'",
                    'integer', 'smallint', 'float' => $column.' + 1000',
                    'boolean' => 'NOT '.$column,
                    'datetime_immutable' => "'1999-01-01 00:00:00'",
                    'blob' => "'other'",
                    default => "'other'",
                };
                $fault = $this->noticed("UPDATE {$table->name} SET $column = $other WHERE $where", $key);
                self::assertNotNull($fault, "$table->name.$column was changed, and nobody noticed");
                self::assertStringContainsString($table->name, $fault);
                $tried[] = $table->name.'.'.$column;
            }
            $this->withoutAndWithAnother($table, $class, (string) (\is_scalar($key) ? $key : ''), $where);
        }
        self::assertGreaterThan(70, \count($tried), implode(' ', $tried));
    }

    private function withoutAndWithAnother(BoundTable $table, string $class, string $key, string $where): void
    {
        self::assertStringContainsString('was deleted', (string) $this->noticed("DELETE FROM {$table->name} WHERE $where", $key));
        /** @var class-string $class */
        $metadata = $this->service(EntityManagerInterface::class)->getClassMetadata($class);
        $columns = array_map($metadata->getColumnName(...), $metadata->getFieldNames());
        $own = $metadata->usesIdGenerator() ? $table->key : [];
        $columns = array_values(array_diff($columns, $own));
        $copied = array_map(
            static fn (string $column): string => $own === [] && $column === $table->key[0] ? $column." || '-2'" : $column,
            $columns,
        );
        self::assertStringContainsString('no entry knows of it', (string) $this->noticed(
            \sprintf(
                'INSERT INTO %1$s (%2$s) SELECT %3$s FROM %1$s WHERE %4$s',
                $table->name,
                implode(', ', $columns),
                implode(', ', $copied),
                $where,
            ),
            $key,
        ));
    }

    /** Who changes a row and what the journal says of it changes the chain; who cuts the chain is found too. */
    public function testWhoChangesTheJournalAsWellIsFound(): void
    {
        $this->fill();
        $last = "SELECT sequence FROM journal_entry WHERE binds <> '' ORDER BY sequence DESC LIMIT 1";
        $entry = $this->connection()->fetchOne($last);
        self::assertStringContainsString(
            'says of rows of evidence was changed',
            (string) $this->noticed('UPDATE evidence_bound SET digest = ? WHERE sequence = ?', str_repeat('0', 64), $entry),
        );
        foreach ([
            "UPDATE journal_entry SET binds = '' WHERE sequence = ?" => 'was changed',
            "UPDATE journal_entry SET payload = '{}' WHERE sequence = ?" => 'was changed',
            'DELETE FROM journal_entry WHERE sequence = ?' => 'missing',
        ] as $sql => $said) {
            self::assertStringContainsString($said, (string) $this->noticed($sql, $entry));
        }
    }

    /** What is given out byte for byte is what was taken in, or is not given out. */
    public function testWhatIsNotWhatItWasIsNotServed(): void
    {
        $this->fill();
        $this->signIn(Role::Technician);
        $headers = ['X-Log-Name' => 'day.csv', 'X-Log-Format' => rawurlencode((string) json_encode([
            'delimiter' => ',', 'decimal' => '.', 'skip' => 1, 'columns' => [['place' => 1, 'kind' => 'LAeq']], 'time' => [0],
            'dateOrder' => 'ymd',
        ]))];
        $log = "Time,LAeq\n";
        for ($i = 0; $i < 600; ++$i) {
            $log .= gmdate('Y-m-d H:i:s', 1772438400 + $i).",85.0\n";
        }
        $this->call('POST', '/api/runs/r1/log', status: 201, raw: $log, headers: $headers);
        $this->browser->request('GET', '/api/runs/r1/log');
        self::assertSame($log, $this->browser->getInternalResponse()->getContent());
        $served = function (string $sql, string $path): array {
            $this->connection()->executeStatement($sql);
            $this->browser->request('GET', $path);

            return [$this->browser->getResponse()->getStatusCode(), (string) $this->browser->getResponse()->getContent()];
        };
        $id = $this->connection()->fetchOne('SELECT id FROM decision');
        self::assertIsScalar($id);
        foreach ([
            ['UPDATE log_file SET sha256 = id', '/api/runs/r1/log', 'The log day.csv is not what it was'],
            ["UPDATE log_file SET original = 'no bytes of it'", '/api/runs/r1/log', 'The log day.csv is not what it was'],
            ['UPDATE decision SET snapshot_digest = digest', '/api/results/r1/decision/'.$id, 'The snapshot of this decision is not'],
        ] as [$sql, $path, $said]) {
            [$status, $answer] = $served($sql, $path);
            self::assertSame(409, $status, $answer);
            self::assertStringContainsString($said, $answer);
        }
    }

    /** A logbook from before rows were bound: one entry seals what is there, and from there on each row is bound. */
    public function testWhatIsOlderIsSealedOnce(): void
    {
        $this->fill();
        $this->connection()->executeStatement('DELETE FROM evidence_bound');
        $this->connection()->executeStatement('DELETE FROM journal_entry');
        $this->connection()->executeStatement('UPDATE journal_head SET sequence = 0, hash = ?', [Journal::ROOT]);
        $this->connection()->executeStatement('DELETE FROM release_followed');
        self::assertNull($this->fault(), 'nothing is bound yet');
        $this->service(Release::class)->follow();
        self::assertFalse($this->service(Binding::class)->isOwed());
        self::assertNull($this->fault());
        $this->service(Release::class)->follow();
        $kinds = $this->connection()->fetchFirstColumn('SELECT kind FROM journal_entry ORDER BY sequence');
        self::assertCount(1, array_keys($kinds, 'evidence sealed', true));
        self::assertStringContainsString('since entry 1', (string) $this->noticed("UPDATE run SET recorded_by = 'other'"));
        // Whoever writes first, before anybody has looked, seals what is older before it.
        foreach (['DELETE FROM evidence_bound', 'DELETE FROM journal_entry'] as $sql) {
            $this->connection()->executeStatement($sql);
        }
        $this->connection()->executeStatement('UPDATE journal_head SET sequence = 0, hash = ?', [Journal::ROOT]);
        $this->service(Journal::class)->during('console', 'nothing', [], static fn (): null => null);
        self::assertSame(
            ['evidence sealed', 'nothing'],
            $this->connection()->fetchFirstColumn('SELECT kind FROM journal_entry ORDER BY sequence'),
        );
        self::assertNull($this->fault());
    }
}
