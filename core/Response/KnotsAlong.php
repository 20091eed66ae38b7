<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;

/** Where responses sit in time: at both ends of a bracket's runs, at checks in between, and between two of them. */
final class KnotsAlong
{
    /**
     * The check before shows the state it left at the first run's start, the check after what it found at the last run's
     * stop, checks in between both at their own time. A check next morning does not push drift into the night; one that was made
     * while another run went on keeps its own time in every bracket (FC-G11).
     *
     * @template K of Knot
     *
     * @param \Closure(Check): ?K $found
     * @param \Closure(Check): ?K $left
     *
     * @return list<K> in order of time
     */
    public static function of(Bracket $bracket, \Closure $found, \Closure $left): array
    {
        $knots = [];
        if ($bracket->pre !== null) {
            $knots[] = $left($bracket->pre)?->movedTo($bracket->timeOf($bracket->pre));
        }
        foreach ($bracket->between as $check) {
            $knots[] = $found($check);
            $knots[] = $check->content->wasAdjusted() ? $left($check) : null;
        }
        if ($bracket->post !== null) {
            $knots[] = $found($bracket->post)?->movedTo($bracket->timeOf($bracket->post));
        }

        return array_values(array_filter($knots, static fn (?Knot $knot): bool => $knot !== null));
    }

    /**
     * Every response as found with the one that its segment began with: what drift is told from.
     *
     * @template K of Knot
     *
     * @param list<K> $knots in order of time
     *
     * @return list<array{K, K}> the one that it began with, the one as found
     */
    public static function segments(array $knots): array
    {
        $segments = [];
        $began = null;
        foreach ($knots as $knot) {
            if ($knot->isAsLeft()) {
                $began = $knot;
            } elseif ($began !== null) {
                $segments[] = [$began, $knot];
            }
        }

        return $segments;
    }

    /**
     * The two knots that a moment lies between; before the first and from the last one on that one alone. Of two knots at
     * one moment, a step, the later holds from then on.
     *
     * @template K of Knot
     *
     * @param non-empty-list<K> $knots in order of time
     *
     * @return array{K, ?K}
     */
    public static function around(array $knots, \DateTimeImmutable $moment): array
    {
        $before = null;
        foreach ($knots as $knot) {
            if ($knot->moment() > $moment) {
                return $before === null ? [$knot, null] : [$before, $knot];
            }
            $before = $knot;
        }

        return [$before, null];
    }
}
