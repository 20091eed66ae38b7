<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;

/** Whether a unit may go out: what a run that begins now would have against it before it has measured anything. */
final readonly class Fitness
{
    /**
     * @param FitState                $state   at the moment that was asked for
     * @param list<string>            $against what would weigh on the run, in words, the weightiest first
     * @param list<Run>               $closes  what the next check can still close: until then nobody adjusts it unread
     * @param \DateTimeImmutable|null $until   the last moment at which a run may begin with nothing more against it; null: no end is known
     */
    public function __construct(
        public FitState $state,
        public array $against,
        public array $closes,
        public ?\DateTimeImmutable $until,
    ) {
    }

    /** What is against a unit whose last check counts no more, in words that stay true. */
    public static function ranOut(\DateTimeImmutable $until): string
    {
        return \sprintf('Its last check counted until %s.', $until->format('j M Y H:i'));
    }
}
