<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Span;

/** Marks of evidence that does not change; beyond those that somebody else keeps, where they hold. */
final class RememberedMarks implements Marks
{
    /** @var array<string, list<Mark>> by what they are of, in order of time */
    private array $marks = [];

    /** @param \DateTimeImmutable|null $changed since when the kept ones hold no more */
    public function __construct(private readonly ?Marks $kept = null, private readonly ?\DateTimeImmutable $changed = null)
    {
    }

    public function last(MarkOf $of, \DateTimeImmutable $until): ?Mark
    {
        $marks = $this->marks[$of->key()] ?? [];
        $low = 0;
        $high = \count($marks);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($marks[$middle]->at > $until) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $marks[$low - 1] ?? $this->kept?->last(
            $of,
            $this->changed === null ? $until : min($until, Span::shift($this->changed, -1e-6)),
        );
    }

    public function keep(MarkOf $of, Mark $mark): void
    {
        $this->marks[$of->key()][] = $mark;
    }
}
