<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Storage\Cells;

/**
 * Prints pages by Chromium, which is a process of its own: with a profile that is new each time and gone afterwards, without a network, and
 * without scripts. One process prints all, since to begin takes it as long as ten pages do: in two tabs, one file after the other in each.
 */
final readonly class Chromium
{
    /** So long the pages of one part may take, s: many times of what they take on a slow machine. */
    private const PATIENCE = 600;

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
        $pipe = new ChromiumPipe([
            ...self::ARGUMENTS,
            // Of the administrator it asks for no walls of its own: it would refuse to begin.
            ...(\function_exists('posix_geteuid') && posix_geteuid() === 0 ? ['--no-sandbox'] : []),
        ]);
        /** @var list<string> $free sessions of tabs in which nothing is being printed */
        $free = [];
        while (\count($free) < self::AT_ONCE) {
            $free[] = $this->tab($pipe);
        }
        /** @var array<string, array{\Generator<int, string, array<mixed>, string>, string, int}> $running by what each waits for */
        $running = [];
        foreach ($pages as $pdf => $page) {
            $printing = $this->onPaper($pipe, (string) array_pop($free), $page, $pdf);
            $running[$printing->current()] = [$printing, $pdf, time()];
            while ($free === []) {
                yield from $this->goOn($pipe, $running, $free);
            }
        }
        while ($running !== []) {
            yield from $this->goOn($pipe, $running, $free);
        }
    }

    /**
     * Hears one message, and goes on with what waited for it.
     *
     * @param array<string, array{\Generator<int, string, array<mixed>, string>, string, int}> $running less what is done
     * @param list<string>                                                                     $free    and the tabs that this left
     *
     * @return list<string> what is done
     */
    private function goOn(ChromiumPipe $pipe, array &$running, array &$free): array
    {
        array_map(self::refuseLate(...), array_column($running, 2));
        $message = $pipe->hear() ?? [];
        $name = self::named($message);
        if (!isset($running[$name])) {
            return [];
        }
        [$printing, $pdf, $began] = $running[$name];
        unset($running[$name]);
        $waits = $printing->send(self::result($message));
        if ($printing->valid()) {
            $running[$waits] = [$printing, $pdf, $began];

            return [];
        }
        $free[] = $printing->getReturn();

        return [$pdf];
    }

    /** Opens a tab, and waits for it. */
    private function tab(ChromiumPipe $pipe): string
    {
        $target = Cells::text($this->told($pipe, $pipe->ask('Target.createTarget', ['url' => 'about:blank'])), 'targetId');
        $asked = $pipe->ask('Target.attachToTarget', ['targetId' => $target, 'flatten' => true]);
        $session = Cells::text($this->told($pipe, $asked), 'sessionId');
        $pipe->ask('Emulation.setScriptExecutionDisabled', ['value' => true], $session);
        $pipe->ask('Page.enable', [], $session);

        return $session;
    }

    /**
     * @return array<mixed> the answer to what was asked
     */
    private function told(ChromiumPipe $pipe, int $asked): array
    {
        $began = time();
        do {
            self::refuseLate($began);
            $message = $pipe->hear() ?? [];
        } while (self::named($message) !== self::answer($asked));

        return self::result($message);
    }

    /** @throws PrintFailed */
    private static function refuseLate(int $began): void
    {
        if (time() - $began > self::PATIENCE) {
            throw new PrintFailed(\sprintf('Chromium had not printed after %d s.', self::PATIENCE));
        }
    }

    /**
     * Opens one page in a tab and prints it.
     *
     * @return \Generator<int, string, array<mixed>, string> what it waits for, each time; the tab
     */
    private function onPaper(ChromiumPipe $pipe, string $session, string $page, string $pdf): \Generator
    {
        $pipe->ask('Page.navigate', ['url' => 'file://'.$page], $session);
        yield self::event('Page.loadEventFired', $session);
        // What the page before it held is given back now.
        $pipe->ask('HeapProfiler.collectGarbage', [], $session);
        $printed = yield self::answer($pipe->ask('Page.printToPDF', [
            'printBackground' => true,
            'preferCSSPageSize' => true,
            'displayHeaderFooter' => false,
            'generateTaggedPDF' => true,
            'generateDocumentOutline' => true,
        ], $session));
        file_put_contents($pdf, base64_decode(Cells::text($printed, 'data'), true));

        return $session;
    }

    /**
     * @param array<mixed> $message
     *
     * @return array<mixed>
     */
    private static function result(array $message): array
    {
        return \is_array($message['result'] ?? null) ? $message['result'] : [];
    }

    /**
     * @param array<mixed> $message
     *
     * @return string what waits for it, if anything does
     *
     * @throws PrintFailed
     */
    private static function named(array $message): string
    {
        $method = Cells::text($message, 'method');
        $error = $message['error'] ?? null;
        if (\is_array($error) || str_ends_with($method, '.targetCrashed')) {
            throw new PrintFailed('Chromium gave a page up'.(\is_array($error) ? ': '.Cells::text($error, 'message') : '.'));
        }

        return $method === '' ? self::answer((int) Cells::text($message, 'id')) : self::event($method, Cells::text($message, 'sessionId'));
    }

    private static function answer(int $asked): string
    {
        return 'answer '.$asked;
    }

    private static function event(string $method, string $session): string
    {
        return $method.' of '.$session;
    }
}
