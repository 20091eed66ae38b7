<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\PlainColumn;

/** The column of a counter's log that holds how many particles of one size were counted in each interval. */
enum CountColumn: string implements ColumnKind
{
    use PlainColumn;

    case Counts = 'counts';

    public function words(): string
    {
        return 'particles of one size';
    }

    public function range(): array
    {
        return [0, 2_000_000_000];
    }

    public function rangeInWords(): string
    {
        return 'a whole count between 0 and 2 000 000';
    }

    public function ofChannel(string $channel): string
    {
        return $channel.' µm';
    }

    public function isWhole(): bool
    {
        return true;
    }

    public function hasChannel(): bool
    {
        return true;
    }
}
