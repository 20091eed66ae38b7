<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/** A line that does not rise or fall has no inverse. */
final class SlopeIsZero extends \DomainException
{
}
