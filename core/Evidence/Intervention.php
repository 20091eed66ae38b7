<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

final readonly class Intervention
{
    /** @param string|null $channel the one channel it touches; null for the whole instrument */
    public function __construct(
        public string $id,
        public string $instrument,
        public \DateTimeImmutable $at,
        public InterventionKind $kind,
        public string $by,
        public string $note = '',
        public ?string $channel = null,
    ) {
    }

    public function breaks(string $channel, string $parameter): bool
    {
        return ($this->channel === null || $this->channel === $channel) && $this->kind->breaks($parameter);
    }

    /** As they follow each other; of one moment by identifier. */
    public static function inOrder(self $a, self $b): int
    {
        return [$a->at, $a->id] <=> [$b->at, $b->id];
    }
}
