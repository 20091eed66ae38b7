<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What it finds, no check on the bench sets right: a laboratory or a workshop does. */
interface CuredElsewhere extends KnownBeforehand
{
}
