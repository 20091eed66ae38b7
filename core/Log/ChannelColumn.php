<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** Columns of units whose channels are told apart. */
enum ChannelColumn: string implements ColumnKind
{
    use PlainColumn;

    case Reading = 'reading';
    case Alarm = 'alarm';

    public function words(): string
    {
        return $this === self::Reading ? 'reading of a channel' : 'mark of an alarm, 1 or 0';
    }

    public function range(): array
    {
        return $this === self::Reading ? [-2_000_000_000, 2_000_000_000] : [-20_000, 200_000];
    }

    public function rangeInWords(): string
    {
        return $this === self::Reading ? 'a reading between −2 000 000 and 2 000 000' : 'a mark, 1 or 0';
    }

    public function showsOverRange(): bool
    {
        return $this === self::Reading;
    }

    public function hasChannel(): bool
    {
        return $this === self::Reading;
    }

    public function statistics(): array
    {
        return $this === self::Reading ? ['average', 'maximum', 'minimum'] : [];
    }

    public function heading(): ?string
    {
        return $this === self::Alarm ? '/alarm/i' : null;
    }
}
