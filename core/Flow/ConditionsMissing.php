<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

/** Temperature or pressure are not known where a flow cannot be told without them. */
final class ConditionsMissing extends \DomainException
{
}
