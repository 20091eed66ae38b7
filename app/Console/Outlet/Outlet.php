<?php

declare(strict_types=1);

namespace Footnote\App\Console\Outlet;

/** Where the lines of a stand-in go. */
interface Outlet
{
    /** @return string where a reader finds them; empty: they are printed */
    public function opened(): string;

    /** @return bool whether anybody may still read */
    public function write(string $line): bool;
}
