<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** A way that somebody goes, from one minute to another. */
final readonly class Journey
{
    private function __construct(
        public string $by,
        public string $from,
        public string $to,
        public int $leaves,
        public int $arrives,
    ) {
    }

    /**
     * The ways between what somebody does, from the base and back to it.
     *
     * @param list<Activity> $activities of that person, in order
     *
     * @return list<self>
     */
    public static function between(Places $places, string $by, array $activities): array
    {
        $journeys = [];
        $before = null;
        foreach ($activities as $one) {
            $here = $before->place ?? $places->base;
            if ($here !== $one->place) {
                $minutes = $places->between($here, $one->place);
                // To a visit nobody comes too early; what is to be checked is brought at once.
                $leaves = $before !== null && $one->kind === ActivityKind::PostCheck ? $before->to : $one->from - $minutes;
                $journeys[] = new self($by, $here, $one->place, $leaves, $leaves + $minutes);
            }
            $before = $one;
        }
        if ($before !== null && $before->place !== $places->base) {
            $arrives = $before->to + $places->between($before->place, $places->base);
            $journeys[] = new self($by, $before->place, $places->base, $before->to, $arrives);
        }

        return $journeys;
    }
}
