<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/** Points through which no line can be laid. */
final class TooFewPoints extends \DomainException
{
}
