<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

/**
 * Prints pages by Chromium, which is a process of its own: with a profile that is new each time and gone afterwards, without a network, and
 * without scripts. One process prints all, since to begin takes it as long as ten pages do: in two tabs, one file after the other in each.
 */
final readonly class Chromium
{
    /** So many print at once: each needs a few hundred MB. */
    private const AT_ONCE = 2;

    private const ARGUMENTS = [
        '--headless',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-extensions',
        '--disable-sync',
        '--disable-features=SpareRendererForSitePerProcess,BackForwardCache',
        '--no-first-run',
        '--in-process-gpu',
        '--enable-features=NetworkServiceInProcess2',
        '--host-resolver-rules=MAP * ~NOTFOUND',
    ];

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
        $tabs = new ChromiumTabs(new ChromiumPipe([
            ...self::ARGUMENTS,
            // Of the administrator it asks for no walls of its own: it would refuse to begin.
            ...(\function_exists('posix_geteuid') && posix_geteuid() === 0 ? ['--no-sandbox'] : []),
        ]), self::AT_ONCE);
        foreach ($pages as $pdf => $page) {
            $tabs->begin($page, $pdf);
            while ($tabs->areFull()) {
                yield from $tabs->goOn();
            }
        }
        while (!$tabs->areIdle()) {
            yield from $tabs->goOn();
        }
    }
}
