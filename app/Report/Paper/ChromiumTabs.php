<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Storage\Cells;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** The tabs of one Chromium, each of which prints one file after the other. */
#[Exclude]
final class ChromiumTabs
{
    /** So long the pages of one part may take, s: many times of what they take on a slow machine. */
    private const PATIENCE = 600;

    /** @var list<string> sessions of tabs in which nothing is being printed */
    private array $free = [];

    /** @var array<string, array{\Generator<int, string, array<mixed>, string>, string, int}> by what each waits for */
    private array $running = [];

    /** @var array<string, true> what has come before anybody waited for it */
    private array $come = [];

    /** @throws PrintFailed */
    public function __construct(private readonly ChromiumPipe $pipe, int $count)
    {
        for ($i = 0; $i < $count; ++$i) {
            $this->free[] = $this->tab();
        }
    }

    public function areFull(): bool
    {
        return $this->free === [];
    }

    public function areIdle(): bool
    {
        return $this->running === [];
    }

    /** Begins to print a file in a tab that is free. */
    public function begin(string $page, string $pdf): void
    {
        $printing = $this->onPaper(array_pop($this->free) ?? throw new \LogicException('No tab is free.'), $page, $pdf);
        $this->running[$printing->current()] = [$printing, $pdf, time()];
    }

    /**
     * Hears one message, and goes on with what waited for it.
     *
     * @return list<string> the PDF that is done by it
     *
     * @throws PrintFailed
     */
    public function goOn(): array
    {
        array_map(self::refuseLate(...), array_column($this->running, 2));
        $message = $this->pipe->hear() ?? [];
        $name = self::named($message);
        if (!isset($this->running[$name])) {
            $this->come[$name] = true;

            return [];
        }
        [$printing, $pdf, $began] = $this->running[$name];
        unset($this->running[$name]);
        $waits = $printing->send(self::result($message));
        while ($printing->valid() && isset($this->come[$waits])) {
            $waits = $printing->send([]);
        }
        if ($printing->valid()) {
            $this->running[$waits] = [$printing, $pdf, $began];

            return [];
        }
        $this->free[] = $printing->getReturn();

        return [$pdf];
    }

    /** Opens a tab, and waits for it. */
    private function tab(): string
    {
        $target = Cells::text($this->told($this->pipe->ask('Target.createTarget', ['url' => 'about:blank'])), 'targetId');
        $asked = $this->pipe->ask('Target.attachToTarget', ['targetId' => $target, 'flatten' => true]);
        $session = Cells::text($this->told($asked), 'sessionId');
        $this->told($this->pipe->ask('Emulation.setScriptExecutionDisabled', ['value' => true], $session));
        $this->told($this->pipe->ask('Page.enable', [], $session));
        $this->told($this->pipe->ask('Page.setLifecycleEventsEnabled', ['enabled' => true], $session));

        return $session;
    }

    /** @return array<mixed> the answer to what was asked */
    private function told(int $asked): array
    {
        $began = time();
        do {
            self::refuseLate($began);
            $message = $this->pipe->hear() ?? [];
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
     * Opens one file in a tab and prints it.
     *
     * @return \Generator<int, string, array<mixed>, string> what it waits for, each time; the tab
     */
    private function onPaper(string $session, string $page, string $pdf): \Generator
    {
        $opened = yield self::answer($this->pipe->ask('Page.navigate', ['url' => 'file://'.$page], $session));
        if (Cells::text($opened, 'errorText') !== '') {
            throw new PrintFailed('Chromium could not open what was laid down: '.Cells::text($opened, 'errorText'));
        }
        // What the tab held before may say that it is loaded at any time: what is waited for is this file, by its loader.
        yield self::loaded(Cells::text($opened, 'loaderId'));
        // What the page before it held is given back now.
        $this->pipe->ask('HeapProfiler.collectGarbage', [], $session);
        $printed = yield self::answer($this->pipe->ask('Page.printToPDF', [
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
        $with = \is_array($message['params'] ?? null) ? $message['params'] : [];

        return match ($method) {
            '' => self::answer((int) Cells::text($message, 'id')),
            'Page.lifecycleEvent' => Cells::text($with, 'name') === 'load' ? self::loaded(Cells::text($with, 'loaderId')) : $method,
            default => $method,
        };
    }

    private static function answer(int $asked): string
    {
        return 'answer '.$asked;
    }

    private static function loaded(string $loader): string
    {
        return 'loaded '.$loader;
    }
}
