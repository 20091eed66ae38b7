<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Exclusion;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\Span;

/** What is taken out of a log, or could be: what a family's search found, what persons said of it, and pauses. */
final class LogAlterations
{
    /** What lies so near to a stretch of a check on record belongs to it, s. */
    private const BESIDE = 60.0;

    /**
     * A person's word stands above a rule: what was left out or left in by one is told as that.
     *
     * @param Span             $window of the run that stands
     * @param list<Alteration> $looks  what looks like a check to the family, with what its rule makes of it
     * @param list<string>     $remarks what of the file is not in the log
     *
     * @return list<Alteration> in order of time
     */
    public static function of(Run $run, Span $window, array $looks, array $remarks): array
    {
        $found = array_map(
            static fn (string $remark): Alteration => new Alteration(
                AlterationKind::PartInterval,
                $remark,
                'the instrument cut it short: it is not in the log\'s even steps',
                'log',
            ),
            $remarks,
        );
        foreach ($looks as $look) {
            $said = self::covering($run->notes->leftIn, $look->span);
            $out = self::covering($run->notes->exclusions, $look->span);
            if ($said !== null && $look->kind !== AlterationKind::Recorded) {
                $found[] = new Alteration(AlterationKind::LeftIn, $look->what, $said->reason, $said->by, $look->span);
            } elseif ($out === null || $look->kind === AlterationKind::Recorded) {
                $found[] = $look;
            }
        }
        $recorded = array_values(
            array_filter(
                array_map(
                    static fn (Alteration $one): ?Span => $one->kind !== AlterationKind::Recorded || $one->span === null
                        ? null
                        : new Span(Span::shift($one->span->from, -self::BESIDE), Span::shift($one->span->to, self::BESIDE)),
                    $found,
                ),
            ),
        );
        foreach ($run->notes->exclusions as $out) {
            $belongs = $recorded !== [] && $out->span->without($recorded) === [];
            $found[] = new Alteration(
                $belongs ? AlterationKind::Recorded : AlterationKind::Person,
                self::words($out->span),
                $belongs ? 'it belongs to a check on record: '.$out->reason : $out->reason,
                $out->by,
                $out->span,
            );
        }
        foreach (Span::united($run->timing->pauses) as $pause) {
            $found[] = new Alteration(AlterationKind::Pause, self::words($pause), 'a pause was stated with the run', 'run', $pause);
        }
        $found = array_values(
            array_filter($found, static fn (Alteration $one): bool => $one->span === null || $one->span->overlaps($window)),
        );
        usort($found, static fn (Alteration $a, Alteration $b): int => $a->span?->from <=> $b->span?->from);

        return $found;
    }

    /**
     * The stretches that do not count.
     *
     * @param list<Alteration> $alterations
     *
     * @return list<Span>
     */
    public static function taken(array $alterations): array
    {
        return array_values(
            array_filter(array_map(static fn (Alteration $one): ?Span => $one->kind->isTaken() ? $one->span : null, $alterations)),
        );
    }

    /**
     * What each result would be otherwise: with a stretch that was taken out left in, and the other way round.
     *
     * @param list<Alteration>                    $alterations
     * @param \Closure(list<Span>): list<Result> $again       the results with these stretches left out
     *
     * @return \Closure(Result): list<Altered>
     */
    public static function otherwise(array $alterations, \Closure $again): \Closure
    {
        $numbers = [];
        foreach ($alterations as $place => $alteration) {
            if ($alteration->span === null) {
                continue;
            }
            $others = self::taken(array_values(array_filter($alterations, static fn (Alteration $one): bool => $one !== $alteration)));
            foreach ($again($alteration->kind->isTaken() ? $others : [...$others, $alteration->span]) as $result) {
                $numbers[$place]['='.$result->key] = $result->reportedFigure();
            }
        }

        return static fn (Result $result): array => array_map(
            static fn (int $place, Alteration $one): Altered => new Altered($one, $numbers[$place]['='.$result->key] ?? null),
            array_keys($alterations),
            $alterations,
        );
    }

    /**
     * A person wanted stretches out of what has none.
     *
     * @return list<Alteration>
     */
    public static function notApplied(Run $run): array
    {
        return array_map(
            static fn (Exclusion $out): Alteration => new Alteration(
                AlterationKind::NotApplied,
                self::words($out->span),
                $out->reason,
                $out->by,
                $out->span,
            ),
            $run->notes->exclusions,
        );
    }

    public static function words(Span $span): string
    {
        return \sprintf('the stretch from %s to %s', $span->from->format('H:i:s'), $span->to->format('H:i:s'));
    }

    /** @param list<Exclusion> $said */
    private static function covering(array $said, ?Span $span): ?Exclusion
    {
        foreach ($said as $one) {
            if ($span !== null && $one->span->overlaps($span)) {
                return $one;
            }
        }

        return null;
    }
}
