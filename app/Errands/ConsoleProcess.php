<?php

declare(strict_types=1);

namespace Footnote\App\Errands;

use Symfony\Component\Process\Process;

/** A command of the console as a process of its own, which takes as long as it takes. */
final class ConsoleProcess
{
    /** @param list<string> $command */
    public static function of(string $projectDir, array $command): Process
    {
        return new Process(
            [\PHP_BINARY, $projectDir.'/tools/console.php', '--no-interaction', ...$command],
            $projectDir,
            timeout: null,
        );
    }
}
