<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

/** What a log lacks. */
final readonly class LogFlaws
{
    /**
     * @param float|null $gapShare    of the run, 0 to 1; null without a log
     * @param float|null $lostAtStart seconds of the run before its first reading
     * @param int        $overs       intervals beyond the range
     * @param int        $hollow      windows of 15 min with too little data
     */
    public function __construct(public ?float $gapShare, public ?float $lostAtStart, public int $overs, public int $hollow)
    {
    }
}
