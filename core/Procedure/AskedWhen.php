<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** When an entry is asked. */
final readonly class AskedWhen
{
    /**
     * @param EntryCondition|null $only null: always
     */
    public function __construct(
        public Asked $asked = Asked::AtTheStart,
        public ?EntryCondition $only = null,
    ) {
    }
}
