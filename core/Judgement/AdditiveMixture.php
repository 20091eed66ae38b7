<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/** Substances that act alike, set against their limits together. Lower ends are combined with lower ends, upper with upper. */
final class AdditiveMixture
{
    private const ANSWERS = [Answer::Indicated, Answer::Pre, Answer::Post, Answer::Between];

    /**
     * C-3: Σ c_i/L_i over the limits that the campaign gives one mixture.
     *
     * @param list<Result> $results
     *
     * @return list<Result>
     */
    public static function all(array $results, Yardsticks $yardsticks, Equation $equation): array
    {
        $mixtures = [];
        foreach ($yardsticks->limits as $limit) {
            if ($limit->mixture !== '' && !$limit->value->value->isZero()) {
                foreach ($results as $result) {
                    if ($result->key === $limit->quantity) {
                        $mixtures['='.$limit->mixture][] = [$limit, $result];
                    }
                }
            }
        }
        $made = [];
        foreach ($mixtures as $name => $members) {
            if (\count($members) > 1) {
                $made[] = self::of(substr($name, 1), $members, $equation);
            }
        }

        return $made;
    }

    /** @param non-empty-list<array{ExposureLimit, Result}> $members */
    private static function of(string $name, array $members, Equation $equation): Result
    {
        $sum = static function (callable $of) use ($members, $name, $equation): ?Figure {
            [$high, $low, $inputs, $interval] = [Exact::zero(), Exact::zero(), [], false];
            foreach ($members as [$limit, $result]) {
                $figure = $of($result);
                if (!$figure instanceof Figure) {
                    return null;
                }
                $high = Real::plus($high, Real::by($figure->value, $limit->value->value));
                $low = Real::plus($low, Real::by($figure->floor ?? $figure->value, $limit->value->value));
                $interval = $interval || $figure->floor !== null;
                array_push($inputs, $figure, Figure::read('L', $limit->title, $limit->value->value, $figure->unit, new Origin('criterion', $limit->id, $limit->source), $limit->value->decimals()));
            }
            $figure = Figure::derived('Σ c/L', 'additive mixture '.$name, $high, Unit::None, $equation, $inputs, 2);

            return $interval ? $figure->downTo($low) : $figure;
        };
        $answers = array_map(static fn (Answer $answer): ?Figure => $sum(static fn (Result $result): ?Figure => $result->answer($answer)), self::ANSWERS);
        if (array_filter($answers, static fn (?Figure $figure): bool => $figure !== null) === []) {
            $answers[1] = $sum(static fn (Result $result): Figure => $result->reportedFigure());
        }
        $ends = array_values(array_filter([$sum(static fn (Result $result): ?Figure => $result->lowest()), $sum(static fn (Result $result): ?Figure => $result->highest())], static fn (?Figure $figure): bool => $figure !== null));
        $inherited = array_reduce($members, static fn (Verdict $worst, array $member): Verdict => $worst->worse($member[1]->inherited ?? Verdict::Valid), Verdict::Valid);

        return new Result('mixture:'.$name, 'Additive mixture, '.$name, $members[0][1]->reported, $answers[0], $answers[1], $answers[2], $answers[3], $ends, [], [\sprintf('Made of %s.', implode(', ', array_map(static fn (array $member): string => $member[1]->title, $members)))], null, null, false, $inherited);
    }
}
