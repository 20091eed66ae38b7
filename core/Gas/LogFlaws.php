<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;

/** What a log lacks. */
final readonly class LogFlaws
{
    /**
     * @param Figure|null $gaps        of the run, %; null without a log
     * @param float|null $lostAtStart seconds of the run before its first reading
     * @param int        $overs       intervals beyond the range
     * @param Figure|null $hollow      windows of 15 min with too little data
     */
    public function __construct(public ?Figure $gaps, public ?float $lostAtStart, public int $overs, public ?Figure $hollow)
    {
    }
}
