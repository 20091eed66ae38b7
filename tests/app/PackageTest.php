<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\App\Package\Packer;
use Footnote\App\Package\Packing;
use Footnote\App\Package\Sheet;
use Footnote\App\Package\Wanted;
use Footnote\App\Record\Importer;
use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Column;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\PrintEdition;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\RecordFile;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\PrintedByOthers;
use Footnote\Tests\Core\Scene;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\Group;

/** A campaign as a package: whole, worked out again without the application, and taken back it says the same. */
final class PackageTest extends ApiTestCase
{
    use PrintedByOthers;

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/package-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        $this->printed(['rm', '-r', $this->folder]);
        parent::tearDown();
    }

    /** A day of a monitor with a log, one channel of it open; and a practice unit that measured beside it. */
    private function day(): void
    {
        $quiet = ['O2' => '20.9', 'LEL' => '0', 'CO' => '3', 'H2S' => '0', 'PID' => '20'];
        $log = array_map(static fn (string $value): array => GasScene::steady($value, 120), $quiet);
        $scene = (new GasScene())->check('k1', '07:45')->run('r', '08:00', '10:00', $log)->check('k2', '12:10', ['PID' => '']);
        $scene->add('instruments', [...Cells::rows($scene->record, 'instruments')[0], 'id' => 'G-90', 'practice' => true]);
        $scene->add('runs', [
            'id' => 'practised', 'instrument' => 'G-90', 'person' => 'W-09', 'task' => 'teaching',
            'start' => '2026-03-02T08:00:00+00:00', 'stop' => '2026-03-02T09:00:00+00:00',
            'channels' => [['channel' => 'CO', 'mean' => '3', 'peak' => '5']],
        ]);
        // Somebody types decimal commas.
        $typed = str_replace('"value":"20.9"', '"value":"20,9"', json_encode($scene->record['checks'], \JSON_THROW_ON_ERROR), $count);
        self::assertGreaterThan(0, $count);
        $scene->record['checks'] = json_decode($typed, true, 64, \JSON_THROW_ON_ERROR);
        $scene->keepIn($this->folder);
        $this->service(Importer::class)->import(RecordFile::open($this->folder.'/record.json', \dirname(__DIR__, 2)), 'test');
        $this->signIn(Role::Hygienist);
    }

    private function unpacked(?Wanted $wanted = null, int $runs = 1): string
    {
        $zip = $this->folder.'/c.zip';
        $nothing = static fn (string $what, int $done, int $of): null => null;
        self::assertSame($runs, $this->service(Packing::class)->zip($wanted ?? Wanted::ofCampaign('c', true), $zip, $nothing));
        $this->printed(['unzip', '-tqq', $zip]);
        $to = $this->folder.'/package';
        $this->printed(['unzip', '-qq', $zip, '-d', $to]);

        return $to;
    }

    private function decide(string $kind, string $run): void
    {
        $this->call('POST', "/api/results/$run/decision", [
            'kind' => $kind,
            'digest' => $this->call('GET', '/api/results/'.$run)->string('digest'),
        ], 201);
    }

    /** @return list<array<string, string>> lines of a table by column */
    private function lines(string $path): array
    {
        $lines = [];
        $file = new \SplFileObject($path);
        $head = $file->fgetcsv(',', '"', '');
        self::assertIsArray($head);
        while (\is_array($line = $file->fgetcsv(',', '"', '')) && $line !== [null]) {
            $lines[] = array_combine(self::cells($head), self::cells($line));
        }

        return $lines;
    }

    /**
     * @param array<mixed> $line
     *
     * @return list<string>
     */
    private static function cells(array $line): array
    {
        return array_map(static fn (mixed $cell): string => \is_string($cell) ? $cell : '', array_values($line));
    }

    /** What the console prints that works on another logbook; arguments that are files lie in the folder. */
    private function beside(OwnLogbook $logbook, string $command, string $first, string|int $second = '', int $status = 0): string
    {
        [$second, $status] = \is_int($second) ? ['', $second] : [$second, $status];
        $environment = \sprintf(
            'APP_ENV=prod FOOTNOTE_SECRET=only-for-tests FOOTNOTE_DATA=%s FOOTNOTE_DATABASE_URL=%s',
            escapeshellarg($this->folder),
            escapeshellarg($logbook->address),
        );
        $console = escapeshellarg(\dirname(__DIR__, 2).'/bin/console');
        exec("cd {$this->folder} && $environment $console doctrine:migrations:migrate --no-interaction --quiet 2>&1", $made, $failed);
        self::assertSame(0, $failed, implode("\n", $made));
        exec("cd {$this->folder} && $environment $console $command $first $second 2>&1", $out, $came);
        self::assertSame($status, $came, implode("\n", $out));

        return implode("\n", $out);
    }

    private static function told(string $file): Answer
    {
        return new Answer((string) file_get_contents($file));
    }

    public function testEachFileIsWhatTheManifestSays(): void
    {
        $this->day();
        $folder = $this->unpacked();
        $manifest = self::told($folder.'/manifest.json');
        $there = explode("\n", trim($this->printed(['find', $folder, '-type', 'f', '-printf', '%P\n'])));
        self::assertEqualsCanonicalizing([...array_column($manifest->list('files'), 'path'), 'manifest.json'], $there);
        foreach (array_keys($manifest->list('files')) as $place) {
            $path = $folder.'/'.$manifest->string('files.'.$place.'.path');
            self::assertSame($manifest->at('files.'.$place.'.bytes'), filesize($path), $path);
            self::assertSame($manifest->at('files.'.$place.'.sha256'), hash_file('sha256', $path), $path);
        }
        self::assertSame(hash_file('sha256', $folder.'/record.json'), self::told($folder.'/assessment.json')->at('record'));
        self::assertSame(64, \strlen($manifest->string('journal.hash')));
        foreach ($there as $name) {
            self::assertDoesNotMatchRegularExpression('/G-90|W-09/', (string) file_get_contents($folder.'/'.$name), $name);
        }
    }

    /** The table's schema is one by the published JSON Schema of such schemas, and its fields are the table's columns. */
    public function testTheTableIsDescribedByThePublishedProfile(): void
    {
        $this->day();
        $folder = $this->unpacked();
        $profile = json_decode(
            (string) file_get_contents(\dirname(__DIR__, 2).'/contract/frictionless/tabular-data-package.json'),
            false,
            64,
            \JSON_THROW_ON_ERROR,
        );
        \assert($profile instanceof \stdClass);
        // The validator knows later drafts; of what differs the profile uses nothing.
        $profile->{'$schema'} = 'http://json-schema.org/draft-07/schema#';
        $valid = static fn (string $package): bool => (new Validator())
            ->validate(json_decode($package, false, 64, \JSON_THROW_ON_ERROR), $profile)->isValid();
        $package = (string) file_get_contents($folder.'/datapackage.json');
        self::assertTrue($valid($package));
        self::assertFalse($valid(str_replace('"type": "number"', '"type": "whatever"', $package)), 'the profile refuses what is none');
        $told = self::told($folder.'/datapackage.json');
        self::assertSame(array_column(Sheet::cases(), 'value'), array_column($told->list('resources'), 'name'));
        foreach (array_keys($told->list('resources')) as $place) {
            $at = 'resources.'.$place;
            $lines = $this->lines($folder.'/'.$told->string($at.'.path'));
            self::assertSame(hash_file('sha256', $folder.'/'.$told->string($at.'.path')), substr($told->string($at.'.hash'), 7));
            $names = self::cells(array_column($told->list($at.'.schema.fields'), 'name'));
            self::assertSame($names, array_keys($lines[0] ?? array_fill_keys($names, '')));
        }
    }

    public function testEveryColumnIsDescribed(): void
    {
        $told = (string) file_get_contents(\dirname(__DIR__, 2).'/docs/formats.md');
        foreach (Sheet::cases() as $sheet) {
            self::assertStringContainsString($sheet->file(), $told);
            self::assertDescribed($sheet->columns());
        }
    }

    /** Each table leads to the others: by its keys, and to the digit. */
    public function testTheTablesSayWhatTheAssessmentSays(): void
    {
        $this->day();
        $this->decide('sign', 'r');
        $folder = $this->unpacked();
        $of = fn (string $name): array => $this->lines($folder.'/'.$name.'.csv');
        $checks = array_column($of('checks'), null, 'check');
        self::assertSame(['k1', 'k2'], array_column($of('checks'), 'check'));
        foreach ($of('brackets') as $line) {
            self::assertArrayHasKey($line['check'], $checks);
            self::assertContains($line['at'], [$checks[$line['check']]['at'], ''], 'of one that was passed over no time is told');
        }
        $body = self::told($folder.'/assessment.json');
        self::assertSame(\count($body->list('assessments.0.findings')), \count($of('findings')));
        self::assertContains('open', array_column($of('findings'), 'verdict'), 'one channel has no check behind it');
        $results = array_map(static fn (array $line): string => $line['run'].' '.$line['result'], $of('results'));
        foreach ($of('limits') as $line) {
            self::assertContains($line['run'].' '.$line['result'], $results);
        }
        // What a cylinder's label says is a certificate too, with its unit.
        self::assertNotSame([], array_filter($of('certificates'), static fn (array $line): bool => $line['certified'] !== ''));
        [$decision] = $of('decisions');
        self::assertSame(['r', 'sign'], [$decision['run'], $decision['kind']]);
        self::assertSame($of('results')[0]['digest'], $decision['said'], 'nothing has changed since');
        self::assertSame($decision['snapshot'], hash_file('sha256', $folder.'/decisions/'.$decision['snapshot'].'.json'));
        self::assertSame(self::told($folder.'/manifest.json')->string('logbook'), $decision['logbook']);
    }

    /** A spreadsheet program of others finds the same tables, numbers as numbers. */
    #[Group('sqlite')]
    public function testTheSpreadsheetIsOpenedByAnotherProgram(): void
    {
        $this->day();
        $folder = $this->unpacked();
        foreach (Sheet::cases() as $sheet) {
            $csv = $folder.'/again.csv';
            $only = ['--export-type=Gnumeric_stf:stf_csv', '-O', 'sheet='.$sheet->value];
            $this->printed(['ssconvert', ...$only, $folder.'/tables.ods', $csv]);
            $there = $this->lines($folder.'/'.$sheet->file());
            $again = $this->lines($csv);
            self::assertCount(\count($there), $again, $sheet->value);
            foreach ($there as $line => $cells) {
                foreach ($sheet->columns() as $column) {
                    $cell = $cells[$column->name];
                    $place = \sprintf('%s, line %d, %s', $sheet->value, $line, $column->name);
                    $came = $again[$line][$column->name];
                    if ($column->type === Column::NUMBER && $cell !== '') {
                        self::assertEqualsWithDelta((float) $cell, (float) $came, 1e-9 * abs((float) $cell), $place);
                    } else {
                        self::assertSame($cell, $came, $place);
                    }
                }
            }
        }
        $pictures = glob($folder.'/pictures/*.svg');
        self::assertIsArray($pictures);
        self::assertNotSame([], $pictures);
        foreach ($pictures as $picture) {
            self::assertTrue((new \DOMDocument())->load($picture), $picture);
        }
    }

    /** In a folder without the application R works out every figure again, and notices one that was altered. */
    #[Group('sqlite')]
    public function testRWorksItOutAgain(): void
    {
        $this->day();
        $folder = $this->unpacked();
        $run = ['sh', '-c', 'cd "$0" && Rscript recompute.R assessment.json record.json --library library.json', $folder];
        self::assertMatchesRegularExpression('/of +[1-9]/', $this->printed($run));
        $altered = str_replace('"value":"20"', '"value":"21"', (string) file_get_contents($folder.'/assessment.json'), $count);
        self::assertGreaterThan(0, $count);
        file_put_contents($folder.'/assessment.json', $altered);
        $again = proc_open([...$run], [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']], $pipes);
        self::assertIsResource($again);
        self::assertSame(1, proc_close($again));
    }

    /**
     * Taken into an empty logbook it says the same of every run, to the digest that a person signs; who signed it there is told, and
     * signs nothing. That comes with the next package too.
     */
    public function testAnEmptyLogbookTakesItBack(): void
    {
        $this->day();
        $this->decide('sign', 'r');
        $this->unpacked();
        $there = self::told($this->folder.'/package/manifest.json')->string('logbook');
        $own = OwnLogbook::in($this->folder);
        try {
            self::assertStringContainsString('Of 1 runs the same is said here', $this->beside($own, 'footnote:import', 'c.zip'));
            $this->beside($own, 'footnote:package', 'c', 'again.zip');
            $this->printed(['unzip', '-qq', $this->folder.'/again.zip', '-d', $this->folder.'/again']);
        } finally {
            $own->drop();
        }
        [$first] = $this->lines($this->folder.'/again/decisions.csv');
        self::assertSame([$there, 'r', 'sign'], [$first['logbook'], $first['run'], $first['kind']]);
        self::assertNotSame($there, self::told($this->folder.'/again/manifest.json')->string('logbook'));
        $results = fn (string $folder): array => $this->lines($this->folder.'/'.$folder.'/results.csv');
        self::assertSame(array_column($results('package'), 'digest'), array_column($results('again'), 'digest'));
        self::assertSame(array_column($results('package'), 'value'), array_column($results('again'), 'value'));
        self::assertSame([''], array_values(array_unique(array_column($results('again'), 'decided'))), 'nobody has signed it here');
    }

    /** A file that is not the one that was packed keeps all of it out. */
    public function testAPackageThatWasAlteredIsNotTakenIn(): void
    {
        $this->day();
        $this->unpacked();
        $own = OwnLogbook::in($this->folder);
        try {
            $zip = new \ZipArchive();
            $zip->open($this->folder.'/c.zip');
            $log = array_values(array_filter(
                array_map($zip->getNameIndex(...), range(0, $zip->count() - 1)),
                static fn (string|false $name): bool => str_starts_with((string) $name, 'logs/'),
            ))[0];
            $zip->addFromString((string) $log, str_replace('20.9', '20.8', (string) $zip->getFromName((string) $log)));
            $zip->close();
            self::assertStringContainsString($log.' is not the file that was packed', $this->beside($own, 'footnote:import', 'c.zip', 2));
            file_put_contents($this->folder.'/c.zip', 'no package');
            self::assertStringContainsString('cannot be read as a package', $this->beside($own, 'footnote:import', 'c.zip', 2));
            $away = new \ZipArchive();
            $away->open($this->folder.'/d.zip', \ZipArchive::CREATE);
            $away->addFromString('manifest.json', json_encode([
                'format' => Packing::FORMAT,
                'files' => [['path' => '../out.txt', 'bytes' => 1, 'sha256' => hash('sha256', 'x')]],
            ], \JSON_THROW_ON_ERROR));
            $away->addFromString('../out.txt', 'x');
            $away->close();
            self::assertStringContainsString('is no name of a file', $this->beside($own, 'footnote:import', 'd.zip', 2));
        } finally {
            $own->drop();
        }
    }

    /** A policy of the house goes with its campaign, and judges there as here. */
    public function testAPolicyOfTheHouseGoesWithIt(): void
    {
        $this->day();
        $this->signIn(Role::Steward);
        $house = ['id' => 'house', 'name' => 'House', 'basedOn' => 'standard-1', 'rules' => new \stdClass()];
        $this->call('POST', '/api/policies', $house, 201);
        $this->call('POST', '/api/campaigns/c/policy', ['policy' => 'house-1', 'instead' => 'standard-1']);
        $this->unpacked();
        $own = OwnLogbook::in($this->folder);
        try {
            self::assertStringContainsString('Of 1 runs the same is said', $this->beside($own, 'footnote:import', 'c.zip'));
            $this->beside($own, 'footnote:package', 'c', 'again.zip');
            $this->printed(['unzip', '-qq', $this->folder.'/again.zip', '-d', $this->folder.'/again']);
            self::assertSame('house 1', $this->lines($this->folder.'/again/results.csv')[0]['policy']);
        } finally {
            $own->drop();
        }
    }

    /** A report of one person: the tables tell of that person alone; what the day was worked out of lies in the record. */
    public function testAReportIsPackedWithWhatItsRunsWereWorkedOutOf(): void
    {
        $scene = (new Scene())
            ->check('k1', '07:30', ['114.0'])
            ->run('r1', '08:00', '10:00', '84.0', ['shiftMinutes' => 480])
            ->run('r2', '10:10', '12:00', '91.0', ['shiftMinutes' => 480])
            ->run('r3', '12:10', '14:00', '80.0', ['person' => 'W-02'])
            ->check('k2', '16:30', ['113.8']);
        $this->import($scene);
        $this->signIn(Role::Hygienist);
        $this->decide('sign', 'r1');
        $asked = ['title' => 'Noise', 'askedBy' => 'A', 'campaign' => 'c', 'without' => ['r2', 'r3']];
        $id = $this->call('POST', '/api/reports', $asked, 201)->string('id');
        $folder = $this->unpacked(Wanted::ofReport($id, 'c', false));
        self::assertSame(['r1'], array_values(array_unique(array_column($this->lines($folder.'/results.csv'), 'run'))));
        self::assertSame(['r1'], array_column(self::told($folder.'/assessment.json')->list('assessments'), 'run'));
        self::assertSame(['r1', 'r2', 'r3'], array_column(self::told($folder.'/record.json')->list('runs'), 'id'));
        $own = OwnLogbook::in($this->folder);
        try {
            self::assertStringContainsString('Of 1 runs the same is said', $this->beside($own, 'footnote:import', 'c.zip'));
        } finally {
            $own->drop();
        }
        self::assertStringStartsWith('left out', self::told($folder.'/manifest.json')->string('attachments'));
    }

    /** What is written while it is packed is in all of its files or in none: it is packed anew, and given up where that goes on. */
    public function testItIsOfOneMoment(): void
    {
        $this->day();
        $journal = $this->service(Journal::class);
        $written = 0;
        $once = static function (string $what) use ($journal, &$written): void {
            if ($what === 'drawn' && $written++ === 0) {
                $journal->note('test', 'check set aside', ['check' => 'k1', 'reason' => 'r']);
            }
        };
        self::assertSame(1, $this->service(Packing::class)->zip(Wanted::ofCampaign('c', true), $this->folder.'/one.zip', $once));
        self::assertSame(2, $written, 'packed twice');
        $this->printed(['unzip', '-qq', $this->folder.'/one.zip', 'manifest.json', '-d', $this->folder]);
        self::assertSame($journal->anchor()->sequence, self::told($this->folder.'/manifest.json')->at('journal.sequence'));
        $came = static function () use ($journal): void {
            $journal->note('test', 'signed in', []);
        };
        self::assertSame(1, $this->service(Packing::class)->zip(Wanted::ofCampaign('c', true), $this->folder.'/two.zip', $came));
        $always = static function () use ($journal): void {
            $journal->note('test', 'check set aside', ['check' => 'k1', 'reason' => 'r']);
        };
        $this->expectExceptionObject(new Problem(503, 'The logbook was written to again and again while it was packed.'
            .' Pack it again when that is over.'));
        $this->service(Packing::class)->zip(Wanted::ofCampaign('c', true), $this->folder.'/three.zip', $always);
    }

    /** Packed beside the request, told how far it is, fetched when it is done. */
    public function testItIsFetchedWhenItIsPacked(): void
    {
        $this->day();
        $this->signIn(Role::Reader);
        // The folder for what is done beside is one for all tests.
        foreach ([true, false] as $files) {
            $left = $this->service(Packer::class)->path(Wanted::ofCampaign('c', $files));
            $this->printed(['rm', '-f', $left, substr($left, 0, -4)]);
        }
        $this->call('GET', '/api/package/zip?campaign=c', status: 404);
        $this->call('GET', '/api/package?campaign=nowhere', status: 404);
        $this->call('GET', '/api/package?report=RP-9', status: 404);
        self::assertSame('waiting', $this->call('POST', '/api/package?campaign=c', [], 202)->string('state'));
        $this->service(Packer::class)->run(Wanted::ofCampaign('c', true));
        $told = $this->call('GET', '/api/package?campaign=c');
        self::assertSame(['done', 1, 1], [$told->string('state'), $told->at('done'), $told->at('of')]);
        self::assertGreaterThan(10000, $told->at('bytes'));
        self::assertSame('none', $this->call('GET', '/api/package?campaign=c&files=without')->string('state'));
        $this->browser->request('GET', '/api/package/zip?campaign=c', server: ['HTTP_X_REQUESTED_WITH' => 'footnote']);
        self::assertSame('attachment; filename=footnote-c.zip', $this->browser->getResponse()->headers->get('Content-Disposition'));
    }

    /** The digest on the cover of a report is that of a file that lies in the package. */
    public function testAnIssuedReportIsInItToTheLetter(): void
    {
        $this->day();
        $this->decide('sign', 'r');
        $report = $this->call('POST', '/api/reports', ['title' => 'Gases', 'askedBy' => 'A', 'campaign' => 'c'], 201);
        $id = $report->string('id');
        $issued = $this->call('POST', "/api/reports/$id/editions", ['digest' => $report->string('draft.digest'), 'after' => 0], 201);
        $this->service(PrintEdition::class)($id, 1, PaperSize::A4, static fn (): null => null);
        $folder = $this->unpacked().'/reports';
        self::assertSame($issued->string('editions.0.digest'), hash_file('sha256', "$folder/$id-edition-1.lines"));
        $this->printed(['qpdf', '--check', "$folder/$id-edition-1-A4.pdf"]);
        self::assertStringContainsString(
            $issued->string('editions.0.digest'),
            $this->printed(['pdftotext', '-l', '1', "$folder/$id-edition-1-A4.pdf", '-']),
        );
    }
}
