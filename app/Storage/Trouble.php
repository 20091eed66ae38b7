<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Exception\ConnectionException;
use Doctrine\DBAL\Exception\DeadlockException;
use Doctrine\DBAL\Exception\LockWaitTimeoutException;
use Doctrine\DBAL\Exception\ReadOnlyException;

/** Why nothing can be written just now, though nothing is wrong with what was asked. */
enum Trouble
{
    /** Somebody else writes for longer than one waits, or the database does not answer. */
    case Busy;
    case Full;
    case ReadOnly;

    /** What SQLite says of the files beside its own, where there is no room for them, is an error of the disk. */
    private const FULL = [
        'database or disk is full', 'disk I/O error', 'No space left on device', 'out of free disk space', 'SQLSTATE[53100]',
    ];
    private const READ_ONLY = ['readonly database', 'Read-only file system', 'SQLSTATE[25006]'];
    private const BUSY = ['SQLSTATE[55P03]', 'SQLSTATE[53300]', 'SQLSTATE[57P03]', 'SQLSTATE[57P01]'];

    /** Null where something else is wrong. What the driver said may stand behind what happened because of it. */
    public static function of(?\Throwable $problem): ?self
    {
        for ($one = $problem; $one !== null; $one = $one->getPrevious()) {
            $says = static fn (string $words): bool => str_contains($one->getMessage(), $words);
            $found = match (true) {
                array_filter(self::FULL, $says) !== [] => self::Full,
                $one instanceof ReadOnlyException, array_filter(self::READ_ONLY, $says) !== [] => self::ReadOnly,
                $one instanceof LockWaitTimeoutException,
                $one instanceof DeadlockException,
                $one instanceof ConnectionException,
                array_filter(self::BUSY, $says) !== [] => self::Busy,
                default => null,
            };
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }
}
