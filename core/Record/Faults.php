<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** What is wrong with one piece of a record, field by field, while it is read to its end. */
final class Faults
{
    /** @var array<string, InvalidRecord> by place: what was said of it first stands */
    private array $found = [];

    public function add(InvalidRecord $fault): void
    {
        $this->found[$fault->path] ??= $fault;
    }

    /** All of them as one; null where there is none. */
    public function together(): ?InvalidRecord
    {
        $all = array_values($this->found);

        return $all === [] ? null : $all[0]->with(\array_slice($all, 1));
    }
}
