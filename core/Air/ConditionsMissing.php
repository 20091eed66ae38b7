<?php

declare(strict_types=1);

namespace Footnote\Core\Air;

/** Temperature or pressure are not known where a flow cannot be told without them. */
final class ConditionsMissing extends \DomainException
{
}
