<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

/** A reading from which no flow can be told: something is missing, impossible or out of the standard's range. */
class UnreadableFlow extends \DomainException
{
}
