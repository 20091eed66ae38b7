<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

/** What another program prints; bin/test installs it. */
trait PrintedByOthers
{
    /** @param non-empty-list<string> $command */
    private function printed(array $command): string
    {
        $process = proc_open($command, [1 => ['pipe', 'w'], 2 => ['pipe', 'w']], $pipes);
        self::assertIsResource($process, $command[0].' is installed by bin/test');
        $out = (string) stream_get_contents($pipes[1]);
        $problem = (string) stream_get_contents($pipes[2]);
        self::assertSame(0, proc_close($process), $command[0].': '.$problem);

        return $out;
    }

    /** @return list<float> one number a line */
    private function numbersOfR(string $script): array
    {
        return array_map(
            floatval(...),
            array_values(
                array_filter(
                    explode("\n", $this->printed(['Rscript', '--vanilla', '-e', $script])),
                    static fn (string $line): bool => trim($line) !== '',
                ),
            ),
        );
    }
}
