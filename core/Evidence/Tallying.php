<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Adds up what the checks of a unit come to, from the last mark that is kept on. */
final class Tallying
{
    /** @param \DateTimeImmutable $until the last moment; a check at it is in it */
    public static function upTo(\DateTimeImmutable $until, Fold $fold, Timeline $timeline): Tally
    {
        $of = $timeline->markOf($fold->name());
        $last = $timeline->marks->last($of, $until);
        foreach ($timeline->checksFrom($last->at ?? new \DateTimeImmutable(Timeline::BEGINNING), $until) as $check) {
            if ($last === null || $last->isBefore($check)) {
                $last = new Mark($check->at, $check->id, $fold->after($last->tally ?? new Tally(), $check, $timeline));
                $timeline->marks->keep($of, $last);
            }
        }

        return $last->tally ?? new Tally();
    }
}
