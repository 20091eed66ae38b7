<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/**
 * Chromium as a process of its own: with a profile that is new each time and gone afterwards, without a network, and without scripts,
 * which the page itself forbids.
 */
final readonly class Chromium
{
    /** So long the pages of one part may take, s: many times of what they take on a slow machine. */
    private const PATIENCE = 600;

    /** So many print at once: each needs a few hundred MB. */
    private const AT_ONCE = 2;
    /** Between looks at whether one is done, µs. */
    private const LOOK = 20_000;

    /**
     * Prints several, some at once.
     *
     * @param iterable<string, string> $pages HTML files, by the PDF that is written of each; asked for one by one, as there is room
     *
     * @return \Generator<int, string> the PDFs, each when it is done
     *
     * @throws PrintFailed
     */
    public function print(iterable $pages): \Generator
    {
        /** @var array<string, Process> $running */
        $running = [];
        try {
            foreach ($pages as $pdf => $page) {
                $running[$pdf] = $this->process($page, $pdf);
                $running[$pdf]->start();
                while (\count($running) >= self::AT_ONCE) {
                    yield from $this->done($running);
                }
            }
            while ($running !== []) {
                yield from $this->done($running);
            }
        } finally {
            foreach ($running as $pdf => $process) {
                $process->stop(0);
                $this->forget($pdf);
            }
        }
    }

    /**
     * @param array<string, Process> $running less those that are done
     *
     * @return list<string>
     */
    private function done(array &$running): array
    {
        usleep(self::LOOK);
        $done = [];
        foreach ($running as $pdf => $process) {
            try {
                $process->checkTimeout();
            } catch (ProcessTimedOutException) {
                throw new PrintFailed(\sprintf('Chromium had not printed after %d s.', self::PATIENCE));
            }
            if (!$process->isRunning()) {
                unset($running[$pdf]);
                $this->forget($pdf);
                $this->refuseNothing($process, $pdf);
                $done[] = $pdf;
            }
        }

        return $done;
    }

    private function process(string $page, string $pdf): Process
    {
        return new Process([
            'chromium',
            '--headless',
            '--disable-gpu',
            '--disable-dev-shm-usage',
            '--disable-background-networking',
            '--disable-extensions',
            '--no-first-run',
            '--in-process-gpu',
            '--enable-features=NetworkServiceInProcess2',
            // Of the administrator it asks for no walls of its own: it would refuse to begin.
            ...(\function_exists('posix_geteuid') && posix_geteuid() === 0 ? ['--no-sandbox'] : []),
            '--host-resolver-rules=MAP * ~NOTFOUND',
            '--user-data-dir='.self::profile($pdf),
            '--no-pdf-header-footer',
            '--generate-pdf-document-outline',
            '--print-to-pdf='.$pdf,
            'file://'.$page,
        ], env: ['HOME' => self::profile($pdf), 'TMPDIR' => \dirname($pdf)], timeout: self::PATIENCE);
    }

    private static function profile(string $pdf): string
    {
        return $pdf.'.profile';
    }

    private function forget(string $pdf): void
    {
        (new Process(['rm', '-rf', self::profile($pdf)]))->run();
    }

    private function refuseNothing(Process $process, string $pdf): void
    {
        clearstatcache(true, $pdf);
        if (!is_file($pdf) || filesize($pdf) === 0) {
            $said = trim(substr($process->getErrorOutput(), -600));
            throw new PrintFailed($process->getExitCode() === 127
                ? 'Chromium is not installed on this machine (apt-get install chromium).'
                : 'Chromium did not print: '.$said);
        }
    }
}
