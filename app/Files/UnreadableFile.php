<?php

declare(strict_types=1);

namespace Footnote\App\Files;

/** What came is no whole picture and no document that is kept. */
final class UnreadableFile extends \RuntimeException
{
}
