<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** On whom or where a unit is, and for what. */
final readonly class Deployment
{
    /** @param bool $isPlace whether it is of a place and not of a person */
    public function __construct(
        public string $instrument,
        public string $person,
        public string $task,
        public string $place = '',
        public bool $isPlace = false,
    ) {
    }
}
