<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Journal\Journal;
use Footnote\App\Report\Content\Block;
use Footnote\App\Report\Content\Line;
use Footnote\App\Report\Content\ReportContent;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Paper\Chromium;
use Footnote\App\Report\Paper\Imprint;
use Footnote\App\Report\Paper\PaperSize;
use Footnote\App\Report\Paper\PrintReport;
use Footnote\App\Report\PrintEdition;
use Footnote\App\Storage\JsonLines;
use Footnote\Tests\Core\PrintedByOthers;
use Footnote\Tests\Core\Scene;

/** Reports on paper, held against programs that others wrote to read PDF and square codes. */
final class PrintedReportTest extends ApiTestCase
{
    use PrintedByOthers;

    /** Words that would break out of a page or a style, and letters of several alphabets. */
    private const TITLE = '</style><script>1</script> "Lärm" & Ω \\ } ₂';

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/printed-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        $this->printed(['rm', '-r', $this->folder]);
        parent::tearDown();
    }

    private static function imprint(): Imprint
    {
        return new Imprint(
            self::TITLE,
            ['Number' => 'RP-00001'],
            str_repeat('a', 64),
            '',
            'Draft: not signed',
            'RP-00001',
            new \DateTimeImmutable('2026-03-02T09:00:00+00:00'),
        );
    }

    /** @param int $runs how many results it has */
    private function report(int $runs): ReportFile
    {
        $file = $this->folder.'/report.lines';
        $parts = [['part' => 'front', 'title' => 'Summary'], ['part' => 'section:stands', 'title' => 'Results that stand']];
        $lines = [
            ReportContent::part('front', 'Summary', [Block::heading('title', 1, Line::of('Begin'))]),
            ReportContent::part('section:stands', 'Results that stand', [Block::heading('title', 1, Line::of('Results that stand'))]),
        ];
        for ($i = 1; $i <= $runs; ++$i) {
            $parts[] = ['part' => 'run:'.$i, 'title' => 'Result '.$i];
            $lines[] = ReportContent::part('run:'.$i, 'Result '.$i, [
                Block::heading('title', 2, Line::of('Result '.$i)),
                Block::paragraph('words', Line::of('Says (5 0 R) and word'.$i)->equation('o = L/(T_e + 1)')->mark(1))
                    ->beside([['number' => 1, 'line' => [['text' => 'note'.$i]]]]),
                Block::notes('notes', [['number' => 1, 'line' => [['text' => 'rests'.$i]]]]),
            ]);
        }
        file_put_contents($file, JsonLines::line(['parts' => [...$parts, ['part' => 'evidence', 'title' => 'Evidence']]])
            .implode('', $lines).ReportContent::part('evidence', 'Evidence', [Block::heading('title', 1, Line::of('Evidence'))]));

        return new ReportFile($file);
    }

    /** @return array{string, int} the PDF and its pages */
    private function print(ReportFile $file, PaperSize $paper = PaperSize::A4): array
    {
        $pdf = $this->folder.'/report.pdf';
        $told = [];
        $progress = static function (int $done, int $of) use (&$told): void {
            $told[] = [$done, $of];
        };
        $pages = $this->service(PrintReport::class)($file, self::imprint(), $paper, $pdf, $progress);
        self::assertSame(end($told)[0] ?? 0, end($told)[1] ?? 0, 'progress is told to the end');
        self::assertSame([], glob($pdf.'.*'), 'nothing is left beside it');

        return [$pdf, $pages];
    }

    public function testPartsAreBoundToOneDocument(): void
    {
        // Three parts and more: what goes on in the next part begins it again.
        [$pdf, $pages] = $this->print($this->report(60), PaperSize::Letter);
        $this->printed(['qpdf', '--check', $pdf]);
        $about = $this->printed(['pdfinfo', $pdf]);
        self::assertMatchesRegularExpression('/Tagged:\s+yes/', $about);
        self::assertMatchesRegularExpression('/Pages:\s+'.$pages.'\n/', $about);
        self::assertMatchesRegularExpression('/Page size:\s+612 x 792/', $about);
        self::assertStringContainsString(self::TITLE, $about);
        self::assertMatchesRegularExpression('/JavaScript:\s+no/', $about);
        $text = $this->printed(['pdftotext', '-layout', $pdf, '-']);
        $sheets = explode("\f", rtrim($text, "\f"));
        self::assertCount($pages, $sheets);
        foreach ($sheets as $place => $sheet) {
            // Numbered through, the draft marked, on every page.
            self::assertMatchesRegularExpression(\sprintf('/page %d of %d\s*$/', $place + 1, $pages), $sheet, 'page '.$place);
            self::assertStringContainsString('Draft: not signed', $sheet);
        }
        // Every result once, on the page that the contents name; readers aloud come to it as well.
        $aloud = $this->printed(['pdfinfo', '-struct-text', $pdf]);
        for ($i = 1; $i <= 60; ++$i) {
            preg_match('/^ *Result '.$i.' +(\d+)$/m', $sheets[0].$sheets[1].$sheets[2], $found);
            self::assertArrayHasKey(1, $found, 'contents name '.$i);
            self::assertMatchesRegularExpression('/word'.$i.'\b/', $sheets[(int) $found[1] - 1] ?? '', 'page of '.$i);
            self::assertStringContainsString('(5 0 R)', $sheets[(int) $found[1] - 1] ?? '');
            self::assertMatchesRegularExpression('/"[^"]*note'.$i.'\b/', $aloud);
        }
        $outlines = new Answer($this->printed(['qpdf', '--json=1', '--json-key=outlines', $pdf]));
        $titles = [];
        $walk = static function (mixed $lines) use (&$walk, &$titles): void {
            foreach (\is_array($lines) ? $lines : [] as $line) {
                self::assertIsArray($line);
                $titles[] = [$line['title'] ?? '', $line['destpageposfrom1'] ?? 0];
                $walk($line['kids'] ?? []);
            }
        };
        $walk($outlines->list('outlines'));
        $pagesOf = array_column($titles, 1, 0);
        for ($i = 1; $i <= 60; ++$i) {
            self::assertIsInt($pagesOf['Result '.$i] ?? null, 'bookmark of '.$i);
            self::assertMatchesRegularExpression('/word'.$i.'\b/', $sheets[$pagesOf['Result '.$i] - 1] ?? '');
        }
        foreach (\array_slice(explode("\n", trim($this->printed(['pdffonts', $pdf]))), 2) as $font) {
            self::assertMatchesRegularExpression('/(TrueType|Type 1C|OT).* yes +yes +yes +\d+ +\d+$/', $font, 'embedded, with its letters');
        }
    }

    public function testTheSameReportIsTheSameFile(): void
    {
        $report = $this->report(1);
        $digests = [];
        for ($i = 0; $i < 2; ++$i) {
            [$pdf] = $this->print($report);
            $text = $this->printed(['pdftotext', '-layout', $pdf, '-']);
            self::assertStringContainsString('</style><script>1</script>', $text, 'a title is words and nothing else');
            $digests[] = hash_file('sha256', $pdf);
        }
        self::assertSame($digests[0], $digests[1]);
    }

    /** What a tab held before may say late that it is loaded; what is printed is what was opened, whichever word comes first. */
    public function testWhatIsLoadedLateIsNotTakenForWhatWasOpened(): void
    {
        $path = (string) getenv('PATH');
        $bin = $this->folder.'/bin';
        mkdir($bin);
        symlink(__DIR__.'/chromium-stand-in.php', $bin.'/chromium');
        putenv('PATH='.$bin.':'.$path);
        try {
            $pages = [];
            foreach (range(1, 5) as $one) {
                $pages[$this->folder.'/'.$one.'.pdf'] = $this->folder.'/'.$one.'.html';
            }
            $began = time();
            $printed = iterator_to_array((new Chromium())->print($pages), false);
            self::assertLessThan(50, time() - $began);
        } finally {
            putenv('PATH='.$path);
        }
        sort($printed);
        self::assertSame(array_keys($pages), $printed);
        foreach ($printed as $pdf) {
            self::assertStringStartsWith('%PDF of s', (string) file_get_contents($pdf));
        }
    }

    public function testAnEditionIsPrintedOnceAndLeadsToWhereItStands(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '12:00')->check('k2', '12:10', ['114.1']));
        $this->signIn(Role::Hygienist);
        $this->call('POST', '/api/results/r1/decision', [
            'kind' => 'sign',
            'digest' => $this->call('GET', '/api/results/r1')->string('digest'),
        ], 201);
        $report = $this->call('POST', '/api/reports', ['title' => self::TITLE, 'askedBy' => 'A', 'campaign' => 'c'], 201);
        $id = $report->string('id');
        $issued = $this->call('POST', "/api/reports/$id/editions", ['digest' => $report->string('draft.digest'), 'after' => 0], 201);
        $this->call('GET', "/api/reports/$id/pdf?edition=1", status: 404);
        self::assertSame('waiting', $this->call('GET', "/api/reports/$id/print?edition=1")->string('state'));
        $print = $this->service(PrintEdition::class);
        $print($id, 1, PaperSize::A4, static fn (): null => null);
        $pdf = $this->folder.'/edition.pdf';
        file_put_contents($pdf, $this->call('GET', "/api/reports/$id/pdf?edition=1")->text);
        $kept = $this->call('GET', '/api/reports/'.$id);
        self::assertSame($kept->string('editions.0.printed.0.sha256'), hash_file('sha256', $pdf));
        $print($id, 1, PaperSize::A4, static fn (): null => self::fail('it is printed already'));
        $text = $this->printed(['pdftotext', '-layout', $pdf, '-']);
        self::assertStringContainsString($issued->string('editions.0.digest'), $text);
        self::assertStringContainsString($id.', edition 1', $text);
        self::assertStringNotContainsString('Draft', $text);
        $this->printed(['pdftoppm', '-r', '150', '-f', '1', '-l', '1', '-png', $pdf, $this->folder.'/cover']);
        $cover = glob($this->folder.'/cover*.png');
        self::assertIsArray($cover);
        self::assertSame($issued->string('editions.0.address'), trim($this->printed(['zbarimg', '-q', '--raw', $cover[0] ?? ''])));
        self::assertNull($this->service(Journal::class)->verify()['fault']);
    }

    public function testADraftSaysSoOnEveryPageAndIsGoneWhenItSaysSomethingElse(): void
    {
        $this->import((new Scene())->check('k1', '07:30', ['114.0'])->run('r1', '08:00', '12:00')->check('k2', '12:10', ['114.1']));
        $this->signIn(Role::Hygienist);
        $id = $this->call('POST', '/api/reports', ['title' => 'T', 'askedBy' => 'A', 'campaign' => 'c'], 201)->string('id');
        $this->service(PrintEdition::class)($id, null, PaperSize::A4, static fn (): null => null);
        self::assertTrue($this->call('GET', "/api/reports/$id/print")->at('isThere'));
        $pdf = $this->folder.'/draft.pdf';
        file_put_contents($pdf, $this->call('GET', "/api/reports/$id/pdf")->text);
        foreach (explode("\f", rtrim($this->printed(['pdftotext', '-layout', $pdf, '-']), "\f")) as $sheet) {
            self::assertStringContainsString('Draft: not signed, not issued', $sheet);
        }
        $this->call('POST', '/api/results/r1/decision', [
            'kind' => 'sign',
            'digest' => $this->call('GET', '/api/results/r1')->string('digest'),
        ], 201);
        self::assertFalse($this->call('GET', "/api/reports/$id/print")->at('isThere'));
        $this->call('GET', "/api/reports/$id/pdf", status: 404);
        $this->call('GET', "/api/reports/$id/pdf?paper=A5", status: 422);
    }
}
