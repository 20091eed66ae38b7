<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

/** How long a drill is: a short form in the tests, a longer one where bin/drill says so. */
final class Drill
{
    public static function asked(string $name, int $usual): int
    {
        $told = getenv($name);

        return \is_string($told) && is_numeric($told) ? (int) $told : $usual;
    }
}
