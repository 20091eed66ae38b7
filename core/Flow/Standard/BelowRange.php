<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

/** A flow below what the standard can tell. It is no number of the standard's, and may be evidence against the unit all the same. */
final class BelowRange extends UnreadableFlow
{
}
