<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** A family with criteria or limits that come with Footnote, as examples with their sources. */
interface ShipsYardsticks
{
    /** @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>} */
    public function shipped(): array;

    /** @return list<YardstickSet> what of them a campaign may be begun with; others are chosen one by one, where they hold */
    public function sets(): array;
}
