<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The references that a unit's checks lean on. */
interface References
{
    public function find(string $id): ?Reference;

    /** @return array<int|string, Reference> all of them, by identifier: for whoever shows them, never to judge one run */
    public function all(): array;

    /** Whether any of them was recalled with an error that is known. */
    public function haveKnownErrors(): bool;
}
