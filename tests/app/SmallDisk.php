<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\TestCase;

/**
 * Everything on a disk that is full: logbook, sessions, temporary files. It wants a small file system of its own to fill, so it is
 * no part of bin/test: `bin/drill disk` makes one.
 */
final class SmallDisk extends TestCase
{
    public function testWhatIsThereCanBeReadAndNothingIsHalfThere(): void
    {
        $disk = (string) getenv('FOOTNOTE_SMALL_DISK');
        $beside = new Beside($disk, 'sqlite:///'.$disk.'/footnote.sqlite');
        $record = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0'])->record;
        file_put_contents($disk.'/record.json', json_encode($record, \JSON_THROW_ON_ERROR));
        $beside->well('doctrine:migrations:migrate');
        $beside->well('footnote:import '.escapeshellarg($disk.'/record.json'));
        $beside->well('footnote:person:add hygienist hygienist,steward H-1');
        $served = new Served($disk, $beside->environment());
        $served->start(['TMPDIR' => $disk]);
        try {
            self::assertSame(200, $served->signIn('hygienist', Beside::PASSWORD));
            self::assertSame(200, $served->ask('GET', '/api/results')[0]);
            exec('dd if=/dev/zero of='.escapeshellarg($disk.'/filler').' bs=4096 2>/dev/null');
            $kept = 0;
            [$status, $said] = [201, new Answer('{}')];
            for (; $kept < 500 && $status === 201; ++$kept) {
                [$status, $said] = $served->ask('POST', '/api/kit/instruments', [
                    'id' => 'X-'.$kept, 'family' => 'noise-dosimeter', 'model' => str_repeat('M', 60),
                ]);
            }
            self::assertSame(507, $status, $said->text);
            foreach (['/api/results/r1', '/api/results', '/api/day?date=2026-03-02', '/api/kit', '/api/journal'] as $path) {
                self::assertSame(200, $served->ask('GET', $path)[0], $path);
            }
            [, $kit] = $served->ask('GET', '/api/kit');
            self::assertCount($kept, $kit->list('instruments'), 'the last was refused, and the one of the record is there');
            self::assertSame(204, $served->ask('POST', '/api/session/end')[0]);
            self::assertSame(507, $served->signIn('hygienist', Beside::PASSWORD), 'nobody comes in unwritten');
            unlink($disk.'/filler');
            self::assertSame(200, $served->signIn('hygienist', Beside::PASSWORD));
            $another = ['id' => 'Y', 'family' => 'noise-dosimeter', 'model' => 'M'];
            self::assertSame(201, $served->ask('POST', '/api/kit/instruments', $another)[0]);
        } finally {
            $served->stop();
        }
        self::assertStringContainsString('Every row of evidence is as the journal says', $beside->well('footnote:journal:verify --all'));
        self::assertSame([], glob($disk.'/footnote-*'), 'no temporary file is left');
    }
}
