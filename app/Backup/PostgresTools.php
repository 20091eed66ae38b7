<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

use Symfony\Component\Process\Process;

/** What PostgreSQL brings for copies of a database. */
final class PostgresTools
{
    /**
     * @param array<string, mixed> $database of the connection
     *
     * @throws BackupFailed where it does not go well
     */
    public static function run(array $database, string $tool, string ...$arguments): string
    {
        $told = static fn (string $name): ?string => \is_scalar($database[$name] ?? null) ? (string) $database[$name] : null;
        $process = new Process([$tool, ...$arguments], env: array_filter([
            'PGHOST' => $told('host'),
            'PGPORT' => $told('port'),
            'PGUSER' => $told('user'),
            'PGPASSWORD' => $told('password'),
            'PGDATABASE' => $told('dbname'),
        ], \is_string(...)), timeout: null);
        $process->run();

        return $process->isSuccessful()
            ? $process->getOutput()
            : throw new BackupFailed(\sprintf('%s: %s', $tool, trim($process->getErrorOutput())));
    }
}
