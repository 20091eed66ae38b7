<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What is known of a run before it begins. */
final readonly class Beforehand
{
    /**
     * @param non-empty-list<RunCase> $cases    of each channel, or of the unit
     * @param list<Finding>           $findings the weightiest first
     * @param \DateTimeImmutable|null $until    the last moment at which it may begin with no finding more; null: no end is known
     */
    public function __construct(public array $cases, public array $findings, public ?\DateTimeImmutable $until)
    {
    }
}
