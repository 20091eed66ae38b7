<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\Span;

/**
 * The runs of one person's shift: those of one name, or pieces that lie near each other, by date or not. A pause that may be
 * the end of a shift is asked; until it is answered by naming the shift, a shorter one is taken as a pause and a longer one
 * as the end.
 */
final readonly class Shift
{
    public const RULE = 'shift.pause';

    /**
     * @param non-empty-list<Run> $runs  in order of time, the judged one among them
     * @param list<string>        $asked what pauses are taken for until somebody answers
     */
    private function __construct(public array $runs, public array $asked)
    {
    }

    /** @param list<Run> $others that may share it, the run itself among them or not */
    public static function of(Run $own, array $others, Policy $policy): self
    {
        $limit = static fn (string $name, float $else): float => $policy->limit(self::RULE, $name)?->toFloat() ?? $else;
        $runs = ['='.$own->id => $own];
        foreach ($own->deployment->isPlace ? [] : $others as $other) {
            // Places are not persons: what was measured in a place is nobody's exposure.
            if ($other->deployment->person === $own->deployment->person
                && $other->day->shift === $own->day->shift
                && !$other->deployment->isPlace) {
                $runs['='.$other->id] = $other;
            }
        }
        $runs = array_values($runs);
        usort($runs, Run::inOrder(...));
        if ($own->day->shift !== null) {
            return new self($runs, []);
        }
        $apart = 3600 * $limit('apart', 4.0);
        $whole = 3600 * $limit('whole', 16.0);
        $pieces = [[]];
        $last = null;
        foreach ($runs as $run) {
            $piece = array_pop($pieces);
            $pause = $last === null ? 0.0 : Span::secondsBetween($last, $run->timing->start);
            $end = max($last ?? $run->timing->start, $run->timing->stop ?? $run->timing->start);
            if ($piece !== [] && ($pause > $apart || Span::secondsBetween($piece[0]->timing->start, $end) > $whole)) {
                array_push($pieces, $piece, [$run]);
            } else {
                $pieces[] = [...$piece, $run];
            }
            $last = $end;
        }
        foreach ($pieces as $place => $piece) {
            if (\in_array($own, $piece, true)) {
                return new self(
                    $piece,
                    self::asked(
                        $piece,
                        $pieces[$place - 1] ?? [],
                        $pieces[$place + 1] ?? [],
                        3600 * $limit('askFrom', 2.0),
                        3600 * $limit('askTo', 8.0),
                    ),
                );
            }
        }

        return new self([$own], []);
    }

    /**
     * @param non-empty-list<Run> $piece
     * @param list<Run>           $before
     * @param list<Run>           $after
     *
     * @return list<string>
     */
    private static function asked(array $piece, array $before, array $after, float $from, float $to): array
    {
        $asked = [];
        $runs = [...$before, ...$piece, ...$after];
        $last = null;
        foreach ($runs as $run) {
            $pause = $last === null ? 0.0 : Span::secondsBetween($last, $run->timing->start);
            if ($last !== null && $pause >= $from && $pause <= $to) {
                $within = \in_array($run, $piece, true) && $run !== $piece[0];
                $asked[] = \sprintf(
                    '%s h lie before %s: taken as %s until the shift is named.',
                    number_format($pause / 3600, 1, '.', ''),
                    $run->id,
                    $within ? 'a pause of one shift' : 'the time between two shifts',
                );
            }
            $last = max($last ?? $run->timing->start, $run->timing->stop ?? $run->timing->start);
        }

        return $asked;
    }

    /** Whether two runs of one person were going on side by side: by more than a moment, or a small part of the shorter. */
    public static function areParallel(Run $one, Run $other, Policy $policy): bool
    {
        $a = $one->span();
        $b = $other->span();
        $common = $a === null || $b === null ? null : $a->within($b)?->seconds();
        if ($a === null || $b === null || $common === null) {
            return false;
        }
        $minutes = $policy->limit('shift.parallel', 'minutes')?->toFloat() ?? 5.0;
        $share = $policy->limit('shift.parallel', 'share')?->toFloat() ?? 2.0;

        return $common > 60 * $minutes || 100 * $common > $share * min($a->seconds(), $b->seconds());
    }
}
