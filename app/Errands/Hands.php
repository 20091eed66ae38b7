<?php

declare(strict_types=1);

namespace Footnote\App\Errands;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\Process;

/** Work that is shared out among processes of the console: one for each processor of the machine, and a few at most. */
final readonly class Hands
{
    private const MOST = 4;
    /** Between looks at what they print, µs. */
    private const LOOK = 20_000;

    /** @param bool $starts false where nothing is to run beside: in tests, which hold their logbook in a transaction */
    public function __construct(
        private string $projectDir,
        #[Autowire('%footnote.press%')]
        private bool $starts,
    ) {
    }

    /** How many there are; one: nothing is shared out. */
    public function count(): int
    {
        if (!$this->starts) {
            return 1;
        }
        $asked = new Process(['nproc']);
        $asked->run();

        return max(1, min(self::MOST, (int) trim($asked->getOutput())));
    }

    /**
     * @param list<list<string>> $commands of the console, one for each
     *
     * @return \Generator<int, string> whole lines that they print, in the order in which they come
     *
     * @throws \RuntimeException where one of them fails: half of the work is none
     */
    public function lines(array $commands): \Generator
    {
        $running = array_map(fn (array $command): Process => ConsoleProcess::of($this->projectDir, $command), $commands);
        $begun = array_fill(0, \count($running), '');
        try {
            foreach ($running as $process) {
                $process->start();
            }
            while ($running !== []) {
                usleep(self::LOOK);
                foreach ($running as $place => $process) {
                    $ended = !$process->isRunning();
                    $lines = explode("\n", $begun[$place].$process->getIncrementalOutput());
                    $process->clearOutput();
                    $begun[$place] = array_pop($lines);
                    yield from $lines;
                    if ($ended) {
                        self::refuse($process, $begun[$place]);
                        unset($running[$place]);
                    }
                }
            }
        } finally {
            foreach ($running as $process) {
                $process->stop(0);
            }
        }
    }

    private static function refuse(Process $process, string $left): void
    {
        if (!$process->isSuccessful() || $left !== '') {
            $said = substr($process->getErrorOutput(), -2000);
            throw new \RuntimeException('A process that did a part of the work ended before it: '.$said);
        }
    }
}
