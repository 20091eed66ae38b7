<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

final class UnreadableAnchor extends \InvalidArgumentException
{
}
