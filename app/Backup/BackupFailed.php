<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

/** A copy that was not made, or does not hold. Nothing of it is left. */
final class BackupFailed extends \RuntimeException
{
}
