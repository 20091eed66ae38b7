<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** Which of several results stands for a run. */
final class Headline
{
    /**
     * The one nearest to its limit, or furthest beyond it; without limits the first of the first kind that there is.
     *
     * @param list<Result> $results
     * @param list<string> $kinds   beginnings of keys, the weightiest first
     */
    public static function of(array $results, array $kinds): ?string
    {
        $found = null;
        $nearest = null;
        foreach ($results as $result) {
            foreach ($result->outcomes as $outcome) {
                $value = $result->reportedFigure()->toFloat();
                $limit = $outcome->limit->threshold->value->value->toFloat();
                $share = match (true) {
                    $outcome->limit->threshold->comparator === ExposureComparator::FallenBelow => $outcome->crossed ? \INF : 0.0,
                    $limit === 0.0 => null,
                    default => $value / $limit,
                };
                if ($share !== null && ($nearest === null || $share > $nearest)) {
                    $found = $result->key;
                    $nearest = $share;
                }
            }
        }
        foreach ($found === null ? $kinds : [] as $kind) {
            foreach ($results as $result) {
                if ($found === null
                    && ($result->key === $kind || str_starts_with($result->key, $kind.':') || str_starts_with($result->key, $kind.'-'))) {
                    $found = $result->key;
                }
            }
        }

        return $found;
    }
}
