<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

use Symfony\Component\Process\Process;

/** The application's own commands on another logbook, in a process of their own. */
final readonly class OwnConsole
{
    public function __construct(private string $projectDir)
    {
    }

    /**
     * @param string $address of the logbook
     *
     * @return array{bool, string} whether it went well, and what was said
     */
    public function run(string $address, string ...$arguments): array
    {
        $process = new Process(
            [\PHP_BINARY, $this->projectDir.'/tools/console.php', '--no-interaction', '--no-ansi', ...$arguments],
            $this->projectDir,
            ['FOOTNOTE_DATABASE_URL' => $address],
            timeout: null,
        );
        $process->run();

        return [$process->isSuccessful(), trim($process->getOutput()."\n".$process->getErrorOutput())];
    }

    /** @throws BackupFailed where it does not go well */
    public function must(string $address, string ...$arguments): string
    {
        [$well, $said] = $this->run($address, ...$arguments);

        return $well ? $said : throw new BackupFailed($said);
    }
}
