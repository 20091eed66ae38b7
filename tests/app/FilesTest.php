<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Files\Cleaned;
use Footnote\App\Files\Orientation;
use Footnote\App\Files\UnreadableFile;
use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Record\Importer;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Tests\Core\Scene;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;

/**
 * Photos and documents: what a picture shows is not touched, what it tells of place and device is gone. Outside references: netpbm
 * decodes both, exiv2 (Exif, IPTC, XMP) writes and reads what stands beside the picture.
 */
final class FilesTest extends ApiTestCase
{
    private const PDF = "%PDF-1.4\n1 0 obj<</Author(someone)>>endobj\ntrailer<<>>\n%%EOF\n";

    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/footnote-files-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
        $record = (new Scene())->check('k1', '07:30', ['114.0'])->run('r', '08:00', '16:00')->record;
        $this->importRecord(self::certifiedLately($record));
        $this->signIn(Role::Technician);
    }

    protected function tearDown(): void
    {
        (new Process(['rm', '-r', $this->folder]))->mustRun();
        parent::tearDown();
    }

    #[TestWith(['pnmtojpeg', 'jpegtopnm', 'jpg'])]
    #[TestWith(['pnmtojpeg -progressive', 'jpegtopnm', 'jpg'])]
    public function testAPictureLosesPlaceAndDeviceAndShowsTheSame(string $write, string $read, string $ending): void
    {
        $told = $this->picture($write, $ending);
        self::assertStringContainsString('GPSLatitude', $this->beside($told, $ending));
        $cleaned = Cleaned::of($told);
        self::assertTrue($cleaned->isPicture());
        self::assertContains('place, time and device', $cleaned->removed);

        $left = trim($this->beside($cleaned->bytes, $ending));
        self::assertSame(1, substr_count($left, "\n") + 1, $left);
        self::assertMatchesRegularExpression('/^Exif\.Image\.Orientation +Short +1 +/', $left);
        self::assertStringNotContainsString('Wren', $cleaned->bytes);
        self::assertStringNotContainsString('Testtown', $cleaned->bytes);
        self::assertSame($this->through($read, $told), $this->through($read, $cleaned->bytes));
        // What is clean already stays byte for byte, and nothing is said to have been taken out of it.
        $again = Cleaned::of($cleaned->bytes);
        self::assertSame([$cleaned->bytes, []], [$again->bytes, $again->removed]);
    }

    /** exiv2 writes into a PNG as text of a program's own, which nobody turns a picture by; a camera writes a chunk for it. */
    public function testAPngLosesPlaceAndDeviceAndStaysTheWayUpItIs(): void
    {
        $told = $this->picture('pnmtopng', 'png');
        $cleaned = Cleaned::of($told);
        self::assertSame('', trim($this->beside($cleaned->bytes, 'png')));
        self::assertSame($this->through('pngtopnm', $told), $this->through('pngtopnm', $cleaned->bytes));

        $photo = $this->picture('pnmtojpeg', 'jpg');
        $from = strpos($photo, "Exif\0\0");
        self::assertIsInt($from);
        $directory = substr($photo, $from + 6, (\ord($photo[$from - 2]) << 8) + \ord($photo[$from - 1]) - 8);
        self::assertSame(6, Orientation::in($directory));
        $chunk = pack('N', \strlen($directory)).'eXIf'.$directory.pack('N', crc32('eXIf'.$directory));
        $with = Cleaned::of(substr_replace($cleaned->bytes, $chunk, 33, 0));
        self::assertSame(['place, time and device'], $with->removed);
        self::assertStringContainsString('eXIf'.Orientation::alone(6), $with->bytes);
        self::assertStringNotContainsString('Wren', $with->bytes);
        self::assertSame($with->bytes, Cleaned::of($with->bytes)->bytes);
    }

    public function testWhatStandsBehindAPictureIsNotKept(): void
    {
        foreach (['pnmtojpeg' => 'jpg', 'pnmtopng' => 'png'] as $write => $ending) {
            $plain = Cleaned::of($this->picture($write, $ending))->bytes;
            $more = Cleaned::of($plain.'51.5 N, 0.1 W');
            self::assertSame($plain, $more->bytes);
            self::assertSame(['what stood after the end of the picture'], $more->removed);
        }
    }

    /** A whole picture or nothing: however it breaks off, and whatever byte is another, it is refused or it is a picture. */
    public function testABrokenPictureIsRefused(): void
    {
        foreach (['pnmtojpeg' => 'jpg', 'pnmtopng' => 'png'] as $write => $ending) {
            $whole = $this->picture($write, $ending);
            foreach (range(0, \strlen($whole) - 1, 7) as $length) {
                try {
                    Cleaned::of(substr($whole, 0, $length));
                    self::fail("$ending of $length bytes was kept");
                } catch (UnreadableFile) {
                    $this->addToAssertionCount(1);
                }
            }
            mt_srand(7);
            for ($try = 0; $try < 400; ++$try) {
                $other = $whole;
                $other[mt_rand(0, \strlen($other) - 1)] = \chr(mt_rand(0, 255));
                try {
                    self::assertSame(Cleaned::of($other)->bytes, Cleaned::of(Cleaned::of($other)->bytes)->bytes);
                } catch (UnreadableFile) {
                    $this->addToAssertionCount(1);
                }
            }
        }
    }

    public function testADocumentStaysAsItIsAndIsHandedOver(): void
    {
        $kept = $this->keep('reference', 'A', self::PDF, ['name' => 'cert.pdf', 'note' => 'the paper']);
        $again = $this->keep('reference', 'A', self::PDF, ['name' => 'cert.pdf']);
        self::assertCount(1, $again->list('files'), 'the answer was lost: it is kept once');
        $file = $kept->string('files.0.id');
        self::assertSame([[], 'the paper', hash('sha256', self::PDF)], [
            $kept->at('files.0.removed'), $kept->string('files.0.note'), $kept->string('files.0.sha256'),
        ]);
        self::assertSame(self::PDF, $this->call('GET', '/api/files/'.$file)->text);
        self::assertSame('attachment; filename="cert.pdf"', $this->browser->getResponse()->headers->get('Content-Disposition'));
        self::assertSame('nosniff', $this->browser->getResponse()->headers->get('X-Content-Type-Options'));
    }

    public function testWhatIsNoFileOfAnythingIsRefused(): void
    {
        $this->keep('run', 'nothing', self::PDF, status: 404);
        $this->keep('house', 'r', self::PDF, status: 422);
        $this->keep('run', 'r', '<svg onload="alert(1)"/>', status: 422);
        $this->keep('run', 'r', "GIF89a\x01\x00", status: 422);
        $this->call('GET', '/api/files/F-09999', status: 404);
        $this->call('GET', '/api/files?of=run&id=nothing', status: 404);
        $this->signIn(Role::Reader);
        $this->keep('run', 'r', self::PDF, status: 403);
        self::assertSame([], $this->call('GET', '/api/files?of=run&id=r')->list('files'));
    }

    /** A display is only said to be photographed where the photo is there; the check then names it, and so does what corrects it. */
    public function testPhotographedIsSaidOnlyWithThePhoto(): void
    {
        $begun = $this->call('POST', '/api/bench/D/check')->string('id');
        $this->call('PUT', '/api/bench/drafts/'.$begun, ['version' => 1, 'answers' => [
            'reference' => 'A', 'setting' => '114', 'steps' => Scene::STEPS, 'adjusted' => false,
            'asFound' => [['value' => '114.1', 'provenance' => 'photographed']],
        ]]);
        $refused = $this->acceptDraft($begun, 422);
        self::assertSame('/acoustic/asFound/0/provenance', $refused->string('fields.0.field'));
        $this->keep('draft', $begun, self::PDF);
        $this->acceptDraft($begun, 422);
        $kept = $this->keep('draft', $begun, $this->picture('pnmtojpeg', 'jpg'), ['name' => 'a.jpg', 'place' => 'asFound/0']);
        self::assertSame('asFound/0', $kept->string('files.1.place'));
        $check = $this->acceptDraft($begun, 201)->string('check');
        $this->keep('draft', $begun, self::PDF, status: 409);
        self::assertCount(2, $this->call('GET', '/api/files?of=check&id='.$check)->list('files'));

        $correction = [
            'changes' => ['/acoustic/asFound/0/value' => '114.2'], 'how' => 'photographed', 'reason' => 'the photo says so',
        ];
        $made = $this->call('POST', "/api/checks/$check/correction", $correction, 201)->string('id');
        self::assertCount(2, $this->call('GET', '/api/files?of=check&id='.$made)->list('files'));
        $this->call('POST', '/api/checks/k1/correction', [
            ...$correction, 'changes' => ['/acoustic/asFound/0/value' => '114.3'],
        ], 422);
    }

    /** In the export, beside the record, as they were kept; taken in elsewhere only so. */
    public function testTheyGoOutWithTheRecordAndComeInOnlyAsTheyWere(): void
    {
        $this->keep('run', 'r', $this->picture('pnmtopng', 'png'), ['name' => "pump \u{2192} left.png"]);
        $this->keep('reference', 'A', self::PDF, ['name' => 'cert.pdf']);
        $out = $this->folder.'/out';
        $this->service(CampaignRecord::class)->export('c', static function (string $name, string $content) use ($out): void {
            @mkdir(\dirname($out.'/'.$name), recursive: true);
            file_put_contents($out.'/'.$name, $content);
        });
        $record = json_decode((string) file_get_contents($out.'/record.json'), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($record);
        self::assertIsArray($record['files']);
        self::assertSame(['run', 'reference'], array_column(array_column($record['files'], 'of'), 'kind'));
        foreach ($record['files'] as $file) {
            self::assertIsArray($file);
            self::assertIsString($file['file']);
            self::assertSame($file['sha256'], hash_file('sha256', $out.'/'.$file['file']));
        }
        // In another house, under numbers of its own, with the same bytes; what is not as it was kept is refused whole.
        $again = json_encode(self::renamed($record), \JSON_THROW_ON_ERROR);
        file_put_contents($out.'/again.json', $again);
        $this->take($out.'/again.json');
        self::assertCount(1, $this->call('GET', '/api/files?of=run&id=r2')->list('files'));
        $named = $record['files'][0];
        self::assertIsArray($named);
        self::assertIsString($named['file']);
        file_put_contents($out.'/'.$named['file'], $this->picture('pnmtopng', 'png'));
        file_put_contents($out.'/third.json', strtr($again, ['r2' => 'r3', 'k2' => 'k3', 'G-' => 'H-']));
        $this->expectException(InvalidRecord::class);
        $this->expectExceptionMessage('is not the digest');
        $this->take($out.'/third.json');
    }

    /**
     * @param array<array-key, mixed> $record
     *
     * @return array<array-key, mixed>
     */
    private static function renamed(array $record): array
    {
        unset($record['policy']);
        $text = json_encode($record, \JSON_THROW_ON_ERROR);
        $renamed = json_decode(strtr($text, ['"r"' => '"r2"', '"k1"' => '"k2"', '"F-' => '"G-']), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($renamed);

        return $renamed;
    }

    private function take(string $path): void
    {
        $this->service(Importer::class)->import(RecordFile::open($path, \dirname(__DIR__, 2)), 'console');
    }

    /** @param array<string, string> $told */
    private function keep(string $kind, string $of, string $bytes, array $told = [], int $status = 201): Answer
    {
        return $this->call('POST', "/api/files?of=$kind&id=$of", status: $status, raw: $bytes, headers: [
            'X-File' => rawurlencode(json_encode((object) $told, \JSON_THROW_ON_ERROR)),
        ]);
    }

    /** A picture that tells of where, when, by whom and by what it was taken, and is to be turned by a quarter. */
    private function picture(string $write, string $ending): string
    {
        $points = '';
        for ($at = 0; $at < 3 * 40 * 30; ++$at) {
            $points .= \chr($at * 7 % 256);
        }
        $path = $this->folder.'/picture.'.$ending;
        file_put_contents($path, $this->through($write, "P6 40 30 255\n".$points));
        (new Process([
            'exiv2', '-M', 'set Exif.GPSInfo.GPSLatitude 51/1 30/1 0/1', '-M', 'set Exif.Image.Model Ascii Wren', '-M',
            'set Exif.Image.Orientation Short 6', '-M', 'set Xmp.dc.creator XmpSeq Wren', '-M', 'set Iptc.Application2.City Testtown',
            $path,
        ]))->mustRun();
        (new Process(['exiv2', '-c', 'taken in Testtown', $path]))->mustRun();

        return (string) file_get_contents($path);
    }

    private function beside(string $bytes, string $ending): string
    {
        $path = $this->folder.'/read.'.$ending;
        file_put_contents($path, $bytes);

        return (new Process(['exiv2', '-pa', $path]))->mustRun()->getOutput();
    }

    private function through(string $program, string $input): string
    {
        return (new Process(explode(' ', $program), input: $input))->mustRun()->getOutput();
    }
}
