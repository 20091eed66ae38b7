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
 * document. The cover is printed last, when the page of each part is known, and the numbers of
 * the pages are laid over them.
 */
final readonly class PrintReport
{
    /** Results of one part, and bytes of its HTML: Chromium needs about 8 MB of memory for each of its pages. */
    private const AT_ONCE = 25;
    private const LARGEST = 400_000;

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
        $front = $html->label().$this->front($file);
        $scratch = [$pdf.'.bound', self::path($pdf, 'numbers', 'pdf'), self::path($pdf, 'numbers', 'html')];
        $counts = [];
        try {
            // Before they are known, room is left for the numbers: the cover keeps its pages.
            $cover = $front.PrintedPages::contents($outline, [], PrintedPages::UNKNOWN.' pages');
            $parts = $this->laid($file, $html, $cover, $pdf, $scratch, $counts);
            $done = 0;
            foreach ($this->chromium->print($parts) as $printed) {
                $done += $counts[$printed];
                $progress($done, $results);
            }
            [$pages, $begins] = self::counted(array_keys($counts), $outline);
            $contents = PrintedPages::contents($outline, $begins, Shown::count($pages, 'page'));
            $this->again([
                self::path($pdf, '0', 'pdf') => $html->html($front.$contents),
                self::path($pdf, 'numbers', 'pdf') => $html->numbers($pages),
            ]);

            return $this->bind(array_keys($counts), self::path($pdf, 'numbers', 'pdf'), $imprint, $pdf);
        } finally {
            array_map(static fn (string $path): bool => !is_file($path) || unlink($path), $scratch);
        }
    }

    /**
     * The cover and the other parts as HTML files, each laid down when it is asked for.
     *
     * @param list<string>       $scratch of all files that are laid down
     * @param array<string, int> $counts  how many results each is, by its PDF, in their order
     *
     * @return \Generator<string, string> HTML by PDF
     */
    private function laid(ReportFile $file, PrintedPages $html, string $cover, string $pdf, array &$scratch, array &$counts): \Generator
    {
        foreach ((function () use ($file, $cover): \Generator {
            yield [$cover, 0];
            yield from $this->groups($file);
        })() as [$parts, $count]) {
            $place = (string) \count($counts);
            $page = self::path($pdf, $place, 'html');
            $printed = self::path($pdf, $place, 'pdf');
            $scratch = [...$scratch, $page, $printed];
            $counts[$printed] = $count;
            file_put_contents($page, $html->html($parts));
            yield $printed => $page;
        }
    }

    /** @param array<string, string> $printed HTML by its PDF */
    private function again(array $printed): void
    {
        $pages = [];
        foreach ($printed as $pdf => $html) {
            $pages[$pdf] = substr($pdf, 0, -3).'html';
            file_put_contents($pages[$pdf], $html);
        }
        iterator_to_array($this->chromium->print($pages));
    }

    private static function path(string $pdf, string $place, string $kind): string
    {
        return \sprintf('%s.%s.%s', $pdf, $place, $kind);
    }

    /**
     * @param list<string>               $printed in their order
     * @param list<array<string, mixed>> $outline
     *
     * @return array{int, array<string, int>} number of pages, and the page that each part begins on
     */
    private static function counted(array $printed, array $outline): array
    {
        $pages = 0;
        $begins = [];
        foreach ($printed as $path) {
            $read = PdfPages::read($path);
            $begins = [...$begins, ...self::begins($read, $pages, $outline)];
            $pages += $read->count();
        }

        return [$pages, $begins];
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

    /**
     * @param list<string> $printed
     * @param string       $numbers that are laid over the pages
     */
    private function bind(array $printed, string $numbers, Imprint $imprint, string $pdf): int
    {
        $bound = new BoundPdf(new \SplFileObject($pdf.'.bound', 'w'), PdfPages::read($numbers));
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
