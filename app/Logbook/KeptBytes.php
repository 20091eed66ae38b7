<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/** Bytes that are evidence: given out only as they were taken in. */
final class KeptBytes
{
    /**
     * @param string $digest SHA-256 that was kept with them
     * @param string $what   such as "The log of run R-00001"
     *
     * @throws Problem where they are not what they were
     */
    public static function of(mixed $blob, string $digest, string $what): string
    {
        try {
            $bytes = Cells::blob($blob);
        } catch (\Exception) {
            $bytes = null;
        }

        return $bytes !== null && hash('sha256', $bytes) === $digest ? $bytes : throw new Problem(409, \sprintf(
            '%s is not what it was when it was kept: it does not have its digest. Whoever looks after the logbook runs'
                .' footnote:journal:verify, which says what else was changed.',
            $what,
        ));
    }
}
