<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\PlainColumn;

/** The column of a log that holds one octave band. */
enum BandColumn: string implements ColumnKind
{
    use PlainColumn;

    case Band = 'band';

    public function words(): string
    {
        return 'level of an octave band';
    }

    public function range(): array
    {
        return [-20_000, 200_000];
    }

    public function rangeInWords(): string
    {
        return 'a level between −20 and 200 dB';
    }

    public function hasChannel(): bool
    {
        return true;
    }

    public function ofChannel(string $channel): string
    {
        return $channel.' Hz';
    }

    /** "4 kHz" and "4k" are 4000. */
    public function plain(string $heading): string
    {
        return (string) preg_replace('/(?<![\d.])(\d{1,2})\s?k(?:Hz)?(?![A-Za-z0-9])/i', '${1}000', $heading);
    }
}
