<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** What a column of a log holds. It must be known, since a dose cannot be made from just any level. Each family has its own. */
interface ColumnKind
{
    /** What it is called in a record. */
    public function id(): string;

    public function words(): string;

    /**
     * What a value may be, in whole thousandths.
     *
     * @return array{int, int}
     */
    public function range(): array;

    public function rangeInWords(): string;

    /** Whether only whole numbers are values of it. */
    public function isWhole(): bool;

    /** Whether a mark such as ">500" or "OL" is a value beyond its range, and no fault. */
    public function showsOverRange(): bool;

    /** Whether it was made with an exchange rate of its own, which must then be known. */
    public function hasExchangeRate(): bool;

    /** Whether a column of it says which channel, size or band it is of. */
    public function hasChannel(): bool;

    /** @return list<string> what of an interval it may be; none where that is not asked */
    public function statistics(): array;

    /** Its channel as people call it; nothing for a kind without. */
    public function ofChannel(string $channel): string;

    /** The heading of a column with its channel written as the unit's channels are. */
    public function plain(string $heading): string;

    /** A pattern that its headings match; null where they are told by their channel alone. */
    public function heading(): ?string;

    /** Whether a lone column of numbers without a heading may be taken for it. */
    public function isTheUsual(): bool;
}
