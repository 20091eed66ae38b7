<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Logbook\Saying;
use Footnote\App\Record\Importer;
use Footnote\App\Report\CampaignPackage;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\PrintEdition;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\RecordFile;
use Footnote\Tests\Core\GasScene;
use Footnote\Tests\Core\PrintedByOthers;
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
        $scene->keepIn($this->folder);
        $this->service(Importer::class)->import(RecordFile::open($this->folder.'/record.json', \dirname(__DIR__, 2)), 'test');
        $this->signIn(Role::Hygienist);
    }

    private function unpacked(): string
    {
        $zip = $this->folder.'/c.zip';
        self::assertSame(1, $this->service(CampaignPackage::class)->zip('c', $zip));
        $this->printed(['unzip', '-tqq', $zip]);
        $to = $this->folder.'/package';
        $this->printed(['unzip', '-qq', $zip, '-d', $to]);

        return $to;
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
        self::assertStringContainsString('record.json', $this->call('GET', '/api/campaigns/c/export')->text);
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
        $file = fopen($folder.'/results.csv', 'r');
        self::assertIsResource($file);
        self::assertSame(
            fgetcsv($file, null, ',', '"', ''),
            array_column(self::told($folder.'/datapackage.json')->list('resources.0.schema.fields'), 'name'),
        );
        fclose($file);
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

    public function testTakenBackItSaysTheSame(): void
    {
        $this->day();
        $folder = $this->unpacked();
        file_put_contents(
            $folder.'/again.json',
            $this->printed([\dirname(__DIR__, 2).'/bin/console', 'footnote:assess', $folder.'/record.json']),
        );
        $said = static fn (string $file): array => array_map(static fn (array $one): array => [
            $one['run'] ?? '',
            Saying::digest(Saying::of($one)),
            // What a log is called beside the record is told with it; every number is the same to the digit.
            array_column(Cells::rows($one, 'figures'), 'value', 'id'),
        ], Cells::rows(['assessments' => self::told($folder.'/'.$file)->list('assessments')], 'assessments'));
        self::assertCount(1, $said('assessment.json'));
        self::assertSame($said('assessment.json'), $said('again.json'));
    }

    /** The digest on the cover of a report is that of a file that lies in the package. */
    public function testAnIssuedReportIsInItToTheLetter(): void
    {
        $this->day();
        $this->call('POST', '/api/results/r/decision', [
            'kind' => 'sign',
            'digest' => $this->call('GET', '/api/results/r')->string('digest'),
        ], 201);
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
