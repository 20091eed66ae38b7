<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** What came back from laboratories to a campaign, by the number of the medium. */
interface Laboratory
{
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
