<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** An interval that no calendar can count. */
final class InvalidInterval extends \InvalidArgumentException
{
}
