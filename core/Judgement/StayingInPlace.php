<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;

/** A family whose units may stay in one quiet place all day: some schools then take one check at the start of the day as enough. */
interface StayingInPlace
{
    public function staysInPlace(Run $run): bool;
}
