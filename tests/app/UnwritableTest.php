<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** A logbook that cannot be written just now: it is said in words, reading goes on, and nothing is half there. */
#[Group('sqlite')]
final class UnwritableTest extends TestCase
{
    private string $folder;
    private string $address;
    private Beside $beside;
    private Served $served;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/footnote-unwritable-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $this->address = 'sqlite:///'.$this->folder.'/footnote.sqlite';
        $this->beside = new Beside($this->folder, $this->address);
        $this->served = new Served($this->folder, $this->beside->environment());
        $record = (new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '16:00')->check('k2', '16:30', ['114.0'])->record;
        file_put_contents($this->folder.'/record.json', json_encode($record, \JSON_THROW_ON_ERROR));
        $this->beside->well('doctrine:migrations:migrate --no-interaction');
        $this->beside->well('footnote:import '.escapeshellarg($this->folder.'/record.json'));
        $this->beside->well('footnote:person:add hygienist hygienist,steward H-1');
    }

    protected function tearDown(): void
    {
        $this->served->stop();
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    public function testAFullDiskIsSaidAndReadingGoesOn(): void
    {
        $this->served->start();
        self::assertSame(200, $this->served->signIn('hygienist', Beside::PASSWORD));
        self::assertSame(200, $this->served->ask('GET', '/api/session')[0], 'the release is followed');
        $this->served->stop();
        $pages = $this->open()->query('PRAGMA page_count');
        self::assertNotFalse($pages);
        // Not a page more than there is.
        $this->served->start($this->beside->environment($this->address.'?max_page_count='.(string) $pages->fetchColumn()));
        // What was never worked out is worked out and shown, though it cannot be kept.
        [$status, $result] = $this->served->ask('GET', '/api/results/r1');
        self::assertSame(200, $status, $result->text);
        self::assertSame('valid', $result->string('assessment.verdict'));
        foreach (['/api/day?date=2026-03-02', '/api/bench', '/api/kit', '/api/results', '/api/journal', '/api/people'] as $path) {
            self::assertSame(200, $this->served->ask('GET', $path)[0], $path);
        }
        // The free room of the pages that there are is filled, then nothing goes in any more.
        [$status, $said] = [201, new Answer('{}')];
        for ($i = 0; $i < 200 && $status === 201; ++$i) {
            [$status, $said] = $this->served->ask('POST', '/api/kit/instruments', [
                'id' => 'X-'.$i, 'family' => 'noise-dosimeter', 'model' => str_repeat('M', 60), 'serial' => str_repeat('S', 40),
            ]);
        }
        self::assertSame(507, $status, $said->text);
        self::assertStringContainsString('no room left', $said->string('detail'));
        [, $kit] = $this->served->ask('GET', '/api/kit');
        self::assertSame(
            $i,
            \count($kit->list('instruments')),
            'the last was not kept: what was told to be kept is there, and nothing else',
        );
        self::assertSame(204, $this->served->ask('POST', '/api/session/end')[0], 'whoever leaves may leave');
        self::assertSame(507, $this->served->signIn('hygienist', Beside::PASSWORD), 'nobody comes in unwritten');
        self::assertSame(401, $this->served->ask('GET', '/api/day')[0]);
        $this->served->stop();
        // With room again it goes on, and everything holds.
        $this->served->start();
        self::assertSame(200, $this->served->signIn('hygienist', Beside::PASSWORD));
        self::assertStringContainsString('Every row of evidence is as the journal says', $this->beside->well('footnote:journal:verify'));
    }

    public function testALogbookThatIsOnlyReadIsSaidToBe(): void
    {
        $this->served->start();
        self::assertSame(200, $this->served->signIn('hygienist', Beside::PASSWORD));
        self::assertSame(200, $this->served->ask('GET', '/api/session')[0], 'the release is followed');
        $this->served->stop();
        $this->served->start($this->beside->environment($this->address.'?query_only=1'));
        self::assertSame('valid', $this->served->ask('GET', '/api/results/r1')[1]->string('assessment.verdict'));
        self::assertSame(200, $this->served->ask('GET', '/api/results')[0]);
        [$status, $said] = $this->served->ask('POST', '/api/runs/r1/facts', ['plannedMinutes' => 480, 'reason' => 'x']);
        self::assertSame([507, 'The logbook can only be read just now.'], [$status, substr($said->string('detail'), 0, 38)]);
    }

    public function testSomebodyWhoWritesForLongIsWaitedForAndThenSaid(): void
    {
        $this->served->start($this->beside->environment($this->address.'?busy_timeout=300'));
        self::assertSame(200, $this->served->signIn('hygienist', Beside::PASSWORD));
        self::assertSame(200, $this->served->ask('GET', '/api/session')[0], 'the release is followed');
        $other = $this->open();
        $other->exec('BEGIN IMMEDIATE');
        [$status, $said, $headers] = $this->served->ask('POST', '/api/runs/r1/facts', ['plannedMinutes' => 480, 'reason' => 'x']);
        self::assertSame(503, $status, $said->text);
        self::assertSame('3', $headers['retry-after']);
        // Reading waits for nobody, and what is worked out while somebody writes is shown.
        self::assertSame('valid', $this->served->ask('GET', '/api/results/r1')[1]->string('assessment.verdict'));
        self::assertSame(200, $this->served->ask('GET', '/api/bench')[0]);
        $other->exec('ROLLBACK');
        self::assertSame(201, $this->served->ask('POST', '/api/runs/r1/facts', ['plannedMinutes' => 480, 'reason' => 'x'])[0]);
    }

    private function open(): \PDO
    {
        return new \PDO('sqlite:'.$this->folder.'/footnote.sqlite', options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
    }
}
