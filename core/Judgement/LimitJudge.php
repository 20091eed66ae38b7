<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/**
 * Sets a result against exposure limits. A statement is robust only where every value that the result could have lies on
 * one side; else it is undecided, with its cause. A bound settles only its own side.
 */
final readonly class LimitJudge
{
    /**
     * @param list<ExposureLimit> $limits
     * @param callable(ExposureLimit): TippingPoint $tippingPoint
     * @param (callable(Result, ExposureLimit): ?Confidence)|null $confidence
     * @param Bracket|null $bracket      that it stands on; null: it is made of results that were judged
     */
    public function judge(
        Result $result,
        array $limits,
        callable $tippingPoint,
        ?callable $confidence = null,
        ?Bracket $bracket = null,
    ): Result {
        $result = $bracket === null ? $result : $result->doubting(...self::ends($bracket));
        $outcomes = [];
        foreach ($limits as $limit) {
            if ($limit->quantity === $result->key) {
                $outcomes[] = $this->outcome(
                    $result,
                    $limit,
                    $tippingPoint($limit),
                    $confidence === null ? null : $confidence($result, $limit),
                    $bracket !== null && $bracket->checks() === [],
                );
            }
        }

        return $result->against($outcomes);
    }

    /** @return list<string> why a bracket alone keeps a statement from being robust */
    private static function ends(Bracket $bracket): array
    {
        return [
            ...match (true) {
                $bracket->pre !== null && $bracket->post !== null => [],
                $bracket->pre === null && $bracket->post === null && $bracket->between === [] => ['no check stands under it'],
                default => ['a check stands at one end only'],
            },
            ...array_map(
                static fn (string $reference): string => \sprintf('%s was recalled, and how far it was off is not known', $reference),
                $bracket->search->recalled,
            ),
        ];
    }

    private function outcome(
        Result $result,
        ExposureLimit $limit,
        TippingPoint $tipping,
        ?Confidence $confidence,
        bool $unchecked,
    ): LimitOutcome {
        $reported = $result->reportedFigure();
        $crossed = $limit->isCrossedBy(self::leastCrossing($limit, $reported));
        $causes = $result->footing->causes;
        $named = [];
        foreach ($result->values() as [$what, $value]) {
            $mildest = $limit->isCrossedBy(self::leastCrossing($limit, $value));
            $gravest = $limit->isCrossedBy(self::mostCrossing($limit, $value));
            if ($mildest !== $crossed || $gravest !== $crossed) {
                $named[] = $value;
                $causes[] = $value->isLessThan() && !$mildest
                    ? \sprintf(
                        '%s it cannot tell: all that is known is that it is less than %s %s',
                        $what,
                        $value->high()->shownBeside($limit->threshold->value->value),
                        $value->unit->value,
                    )
                    : \sprintf('%s it is %s %s', $what, $value->shownBeside($limit->threshold->value->value), $value->unit->value);
            }
        }
        if (!$crossed && $result->footing->ceiling !== null) {
            $causes[] = $result->footing->ceiling;
        }
        $causes = array_values(array_unique(array_map(trim(...), $causes)));
        $robustness = match (true) {
            $unchecked => Robustness::NotKnown,
            $causes === [] => Robustness::Robust,
            default => Robustness::Undecided,
        };
        $uncertainty = self::reach($result, $limit);
        $beside = array_values(array_filter([$uncertainty?->words, $confidence?->reach()], \is_string(...)));
        $statement = match ($robustness) {
            Robustness::Robust => \sprintf(
                '%s: every value that it could have lies on that side',
                ucfirst($limit->threshold->comparator->words($crossed)),
            ),
            Robustness::Undecided => 'Undecided: '.implode('; ', $causes),
            Robustness::NotKnown => 'Nothing is stated: no check stands under it',
        };

        return new LimitOutcome(
            $limit,
            $crossed,
            $robustness,
            $tipping,
            $confidence,
            $causes,
            Sentence::of(
                $statement.implode('', array_map(static fn (string $one): string => '; '.$one, $beside)).'.',
                ...$named,
                ...($uncertainty->figures ?? []),
                ...($confidence?->reach() === null ? [] : [$confidence->lower, $confidence->upper]),
            ),
        );
    }

    /** Of an interval the end that is furthest from crossing the limit: what is certain. */
    private static function leastCrossing(ExposureLimit $limit, Figure $figure): Exact|float
    {
        return $limit->threshold->comparator === ExposureComparator::FallenBelow ? $figure->high()->value : $figure->low()->value;
    }

    private static function mostCrossing(ExposureLimit $limit, Figure $figure): Exact|float
    {
        return $limit->threshold->comparator === ExposureComparator::FallenBelow ? $figure->low()->value : $figure->high()->value;
    }

    /** Whether a stated uncertainty reaches the limit from the reported value; null where it does not or is not stated. */
    private static function reach(Result $result, ExposureLimit $limit): ?Sentence
    {
        $uncertainty = $result->beside->uncertainty;
        $reported = $result->reportedFigure();
        if ($uncertainty === null
            || $reported->known->bound === Bound::AtLeast
            || !$uncertainty->unit->isLevel()
            || !is_finite($reported->toFloat())) {
            return null;
        }
        $side = Real::compare($reported->value, $limit->threshold->value->value);
        $other = Real::compare(
            $side > 0 ? Real::minus($reported->value, $uncertainty->value) : Real::plus($reported->value, $uncertainty->value),
            $limit->threshold->value->value,
        );

        return $other === $side && $side !== 0
            ? null
            : Sentence::of(
                \sprintf('its uncertainty of %s %s reaches the limit', $uncertainty->shown(), $uncertainty->unit->value),
                $uncertainty,
            );
    }
}
