<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Copies of a logbook: made while it is used, held against its journal, put back, moved to another kind of database. */
final class BackupTest extends TestCase
{
    private string $folder;
    private OwnLogbook $logbook;
    private Beside $beside;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-backup-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->logbook = OwnLogbook::in($this->folder);
        $this->beside = new Beside($this->folder, $this->logbook->address);
        $record = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0'])->record;
        file_put_contents($this->folder.'/record.json', json_encode($record, \JSON_THROW_ON_ERROR));
        $this->beside->well('doctrine:migrations:migrate');
        $this->beside->well('footnote:import '.escapeshellarg($this->folder.'/record.json'));
        $this->beside->well('footnote:person:add hygienist hygienist,steward H-1');
    }

    protected function tearDown(): void
    {
        $this->logbook->drop();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function testABackupIsCheckedAndPutBackWithEveryRow(): void
    {
        $file = $this->folder.'/copy';
        $said = $this->beside->well('footnote:backup '.escapeshellarg($file));
        self::assertStringContainsString((string) hash_file('sha256', $file), $said);
        self::assertSame(0600, fileperms($file) & 0777, 'read by nobody else');
        self::assertSame([], glob($this->folder.'/*.part*'));
        self::assertStringContainsString('is there already', $this->beside->badly('footnote:backup '.escapeshellarg($file)));
        self::assertStringContainsString('no folder', $this->beside->badly('footnote:backup /nowhere/at/all'));
        $before = $this->everything($this->logbook->address);
        self::assertStringContainsString(
            'Nothing was restored',
            $this->beside->badly('footnote:restore '.escapeshellarg($file)),
            'what is there is never written over',
        );
        mkdir($this->folder.'/elsewhere');
        $other = OwnLogbook::in($this->folder.'/elsewhere');
        try {
            $said = $this->beside->well('footnote:restore '.escapeshellarg($file), $other->address);
            self::assertStringContainsString('Every row of evidence is as the journal says', $said);
            self::assertSame($before, $this->everything($other->address));
            // It goes on: numbers follow those that are there.
            $this->beside->well('footnote:person:add another reader R-9', $other->address);
            self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify', $other->address));
        } finally {
            $other->drop();
        }
    }

    #[Group('sqlite')]
    public function testWhatDoesNotHoldIsNeitherBackedUpNorRestored(): void
    {
        $file = $this->folder.'/copy';
        $this->beside->well('footnote:backup '.escapeshellarg($file));
        $bytes = (string) file_get_contents($file);
        // A page that was damaged, half a file, and something else altogether.
        $half = substr($bytes, 0, intdiv(\strlen($bytes), 2));
        foreach ([substr_replace($bytes, str_repeat("\xFF", 3000), 20000, 3000), $half, 'hello', ''] as $bad) {
            file_put_contents($this->folder.'/bad', $bad);
            mkdir($this->folder.'/new');
            $this->beside->badly(
                'footnote:restore '.escapeshellarg($this->folder.'/bad'),
                'sqlite:///'.$this->folder.'/new/footnote.sqlite',
            );
            self::assertSame([], glob($this->folder.'/new/*'), 'nothing is left');
            rmdir($this->folder.'/new');
        }
        // A reading that was changed behind the application's back.
        $this->logbook->open()->exec("UPDATE check_record SET recorded_by = 'other' WHERE id = 'k1'");
        self::assertStringContainsString('check_record k1 was changed', $this->beside->badly('footnote:backup '.escapeshellarg($file.'2')));
        self::assertFileDoesNotExist($file.'2');
        self::assertFileDoesNotExist($file.'2.part');
    }

    /** There and back again, through both kinds where the tests run on a server: every row is the same, and the journal holds. */
    public function testALogbookMovesWhole(): void
    {
        $before = $this->everything($this->logbook->address);
        $file = 'sqlite:///'.$this->folder.'/moved.sqlite';
        $said = $this->beside->well(\sprintf('footnote:move %s %s', escapeshellarg($this->logbook->address), escapeshellarg($file)));
        self::assertStringContainsString('Every row of evidence is as the journal says', $said);
        self::assertSame($before, $this->everything($file));
        self::assertStringContainsString('something in the database', $this->beside->badly(
            \sprintf('footnote:move %s %s', escapeshellarg($this->logbook->address), escapeshellarg($file)),
        ));
        mkdir($this->folder.'/back');
        $back = OwnLogbook::in($this->folder.'/back');
        try {
            $this->beside->well(\sprintf('footnote:move %s %s', escapeshellarg($file), escapeshellarg($back->address)));
            self::assertSame($before, $this->everything($back->address));
            $this->beside->well('footnote:person:add another reader R-9', $back->address);
            self::assertStringContainsString('The journal holds', $this->beside->well('footnote:journal:verify', $back->address));
        } finally {
            $back->drop();
        }
    }

    public function testALogbookThatDoesNotHoldDoesNotMove(): void
    {
        $this->logbook->open()->exec("UPDATE run SET recorded_by = 'other' WHERE id = 'r1'");
        $file = $this->folder.'/moved.sqlite';
        $to = escapeshellarg('sqlite:///'.$file);
        $said = $this->beside->badly(\sprintf('footnote:move %s %s', escapeshellarg($this->logbook->address), $to));
        self::assertStringContainsString('run r1 was changed', $said);
        self::assertTrue(!is_file($file) || filesize($file) === 0);
    }

    /** @return array<string, list<string>> each row of each table as text, whatever the database */
    private function everything(string $address): array
    {
        $rows = [];
        foreach (explode("\n", $this->beside->well('footnote:journal:anchor', $address)) as $line) {
            $rows['anchor'][] = (new Answer($line))->string('hash');
        }
        $out = $this->folder.'/out-'.bin2hex(random_bytes(4));
        $this->beside->well('footnote:export c '.escapeshellarg($out), $address);
        $rows['record'] = [(string) file_get_contents($out.'/record.json')];

        return $rows;
    }
}
