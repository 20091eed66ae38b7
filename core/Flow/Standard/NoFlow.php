<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

/** Nothing flowed at all. */
final class NoFlow extends UnreadableFlow
{
}
