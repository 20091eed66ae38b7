<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** References that were all read. */
final readonly class RecordedReferences implements References
{
    /** @param array<int|string, Reference> $references by identifier */
    public function __construct(private array $references)
    {
    }

    public function find(string $id): ?Reference
    {
        return $this->references[$id] ?? null;
    }

    public function all(): array
    {
        return $this->references;
    }

    public function haveKnownErrors(): bool
    {
        foreach ($this->references as $reference) {
            foreach ($reference->recalls->all as $recall) {
                if ($recall->error !== null) {
                    return true;
                }
            }
        }

        return false;
    }
}
