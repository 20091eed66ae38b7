<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Statistics\RunsRule;

/** Something out of the ordinary on the control chart of a unit, by the last check that it is seen at. */
final readonly class TrendSignal
{
    /** @param string $words what it is */
    public function __construct(public RunsRule $rule, public HistoryPoint $at, public string $words)
    {
    }
}
