<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;

/**
 * What a campaign looks things up in while its runs are read: entries of libraries (sampler types, methods, substances)
 * and what came back from laboratories, by the number of the medium.
 */
interface Library
{
    /** The entry of a library by its code; null where there is none. */
    public function find(string $shelf, string $code): ?Traits;

    /**
     * The rows that laboratories reported for a medium, the newest report last.
     *
     * @return list<Fields>
     */
    public function reported(string $medium): array;

    /** @return list<string> the runs whose medium it is */
    public function usedBy(string $medium): array;

    /**
     * The media that were kept as blanks in the same campaign.
     *
     * @return list<Fields>
     */
    public function blanks(): array;
}
