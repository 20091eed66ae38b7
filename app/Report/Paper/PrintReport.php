<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Report\Content\EvidencePart;
use Footnote\App\Report\Content\ReportFile;
use Footnote\App\Report\Content\Shown;
use Footnote\App\Storage\Cells;
use Symfony\Component\Process\Process;

/**
 * Prints a report: some results at a time, so that neither this process nor Chromium holds all of them, and binds what was printed to one
 * document. The cover is printed last, when the page of each part is known.
 */
final readonly class PrintReport
{
    /** Results that are printed at once, and bytes of HTML: Chromium needs about 11 MB of memory for each of its pages. */
    private const AT_ONCE = 25;
    private const LARGEST = 500_000;

    public function __construct(private Chromium $chromium, private string $projectDir)
    {
    }

    /**
     * @param string                    $pdf      that is written; files beside it are gone afterwards
     * @param \Closure(int, int): void $progress told after each part: how many results are printed, of how many
     *
     * @return int number of its pages
     *
     * @throws PrintFailed
     */
    public function __invoke(ReportFile $file, Imprint $imprint, PaperSize $paper, string $pdf, \Closure $progress): int
    {
        $outline = Cells::rows($file->head(), 'parts');
        $results = \count(array_filter($outline, self::isRun(...)));
        $html = new PrintedPages($imprint, $paper, $this->projectDir);
        $front = $this->front($file);
        $scratch = [];
        try {
            $cover = $html->label().$front.PrintedPages::contents($outline, []);
            $scratch[] = $printed = $this->pages($html->html($cover, 1), $pdf, 0);
            $read = PdfPages::read($printed);
            $pages = $read->count();
            $begins = self::begins($read, 0, $outline);
            $done = 0;
            foreach ($this->groups($file) as $place => [$parts, $count]) {
                $scratch[] = $printed = $this->pages($html->html($parts, $pages + 1), $pdf, $place + 1);
                $read = PdfPages::read($printed);
                $begins = [...$begins, ...self::begins($read, $pages, $outline)];
                $pages += $read->count();
                $done += $count;
                $progress($done, $results);
            }
            $told = \sprintf('<p class="soft">%s.</p>', Shown::count($pages, 'page'));
            $this->pages($html->html($html->label().$front.PrintedPages::contents($outline, $begins).$told, 1), $pdf, 0);

            return $this->bind($scratch, $imprint, $pdf);
        } finally {
            array_map(static fn (string $path): bool => !is_file($path) || unlink($path), [...$scratch, $pdf.'.bound']);
        }
    }

    /** What stands before the results. */
    private function front(ReportFile $file): string
    {
        $html = '';
        foreach ($file->parts() as $part) {
            if (!self::isFront($part)) {
                break;
            }
            $html .= PrintedPages::part($part);
        }

        return $html;
    }

    /** @return \Generator<int, array{string, int}> the other parts, so many at a time, and how many results they are */
    private function groups(ReportFile $file): \Generator
    {
        $html = '';
        $section = '';
        $results = 0;
        foreach ($file->parts() as $part) {
            if (self::isFront($part)) {
                continue;
            }
            $isRun = self::isRun($part);
            $section = $isRun ? $section : Cells::text($part, 'title');
            if ($results >= self::AT_ONCE || \strlen($html) > self::LARGEST) {
                yield [$html, $results];
                $results = 0;
                // Its place is named by the result that it begins with: a place stands once in the document.
                $html = $isRun ? PrintedPages::part(self::continued($section, Cells::text($part, 'part'))) : '';
            }
            $html .= PrintedPages::part($part);
            $results += $isRun ? 1 : 0;
        }
        if ($html !== '') {
            yield [$html, $results];
        }
    }

    /** @param array<string, mixed> $part */
    private static function isRun(array $part): bool
    {
        return str_starts_with(Cells::text($part, 'part'), 'run:');
    }

    /** @param array<string, mixed> $part */
    private static function isFront(array $part): bool
    {
        return preg_match('/^(run:|section:|'.EvidencePart::PART.'$)/', Cells::text($part, 'part')) !== 1;
    }

    /** @return array<string, mixed> */
    private static function continued(string $section, string $with): array
    {
        return ['part' => 'section:continued with '.$with, 'title' => $section, 'blocks' => [[
            'id' => 'section:continued with '.$with.'/title',
            'kind' => 'heading',
            'level' => 1,
            'line' => [['text' => $section.', continued']],
            'margin' => [],
        ]]];
    }

    private function pages(string $html, string $pdf, int $place): string
    {
        $page = \sprintf('%s.%d.html', $pdf, $place);
        file_put_contents($page, $html);
        $printed = \sprintf('%s.%d.pdf', $pdf, $place);
        try {
            $this->chromium->print($page, $printed);
        } finally {
            unlink($page);
        }

        return $printed;
    }

    /**
     * @param int                        $before pages that lie before it
     * @param list<array<string, mixed>> $outline
     *
     * @return array<string, int> the page that each part begins on
     */
    private static function begins(PdfPages $printed, int $before, array $outline): array
    {
        $places = $printed->places();
        $begins = [];
        foreach ($outline as $part) {
            $name = Cells::text($part, 'part');
            $page = $places[PrintedPages::place($name)] ?? null;
            if ($page !== null) {
                $begins[$name] = $before + $page;
            }
        }

        return $begins;
    }

    /** @param list<string> $printed */
    private function bind(array $printed, Imprint $imprint, string $pdf): int
    {
        $bound = new BoundPdf(new \SplFileObject($pdf.'.bound', 'w'));
        foreach ($printed as $path) {
            $bound->add(PdfPages::read($path));
        }
        $bound->close($imprint->title, $imprint->made);
        $process = new Process(
            ['qpdf', '--deterministic-id', '--object-streams=generate', $pdf.'.bound', $pdf],
            timeout: 600,
        );
        $process->run();
        if (!$process->isSuccessful()) {
            throw new PrintFailed($process->getExitCode() === 127
                ? 'qpdf is not installed on this machine (apt-get install qpdf).'
                : 'What was printed could not be bound: '.trim($process->getErrorOutput()));
        }

        return $bound->pages();
    }
}
