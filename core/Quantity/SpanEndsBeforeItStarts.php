<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

final class SpanEndsBeforeItStarts extends \InvalidArgumentException
{
}
