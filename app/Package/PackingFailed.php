<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Errands\TellsWhy;
use Footnote\App\Refusal\Problem;

/** What was asked for could not be packed, and why, for whoever asked. */
final class PackingFailed extends \RuntimeException implements TellsWhy
{
    public function __construct(Problem $problem)
    {
        parent::__construct($problem->getMessage(), 0, $problem);
    }
}
