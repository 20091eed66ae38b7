<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** A rule that looks only at what is known before a run begins: the unit, its last check, and what that check leaned on. */
interface KnownBeforehand extends Rule
{
}
