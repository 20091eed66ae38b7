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

    /**
     * @param string $page an HTML file
     * @param string $pdf  that is written
     *
     * @throws PrintFailed
     */
    public function print(string $page, string $pdf): void
    {
        $profile = $pdf.'.profile';
        $process = new Process([
            'chromium',
            '--headless',
            '--disable-gpu',
            '--disable-dev-shm-usage',
            '--disable-background-networking',
            '--disable-extensions',
            '--no-first-run',
            // Of the administrator it asks for no walls of its own: it would refuse to begin.
            ...(\function_exists('posix_geteuid') && posix_geteuid() === 0 ? ['--no-sandbox'] : []),
            '--host-resolver-rules=MAP * ~NOTFOUND',
            '--user-data-dir='.$profile,
            '--no-pdf-header-footer',
            '--generate-pdf-document-outline',
            '--print-to-pdf='.$pdf,
            'file://'.$page,
        ], env: ['HOME' => $profile, 'TMPDIR' => \dirname($pdf)], timeout: self::PATIENCE);
        try {
            $process->run();
        } catch (ProcessTimedOutException) {
            throw new PrintFailed(\sprintf('Chromium had not printed after %d s.', self::PATIENCE));
        } finally {
            (new Process(['rm', '-rf', $profile]))->run();
        }
        clearstatcache(true, $pdf);
        if (!is_file($pdf) || filesize($pdf) === 0) {
            $said = trim(substr($process->getErrorOutput(), -600));
            throw new PrintFailed($process->getExitCode() === 127
                ? 'Chromium is not installed on this machine (apt-get install chromium).'
                : 'Chromium did not print: '.$said);
        }
    }
}
