<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** Sets a result against exposure limits. */
final readonly class LimitJudge
{
    /**
     * @param list<ExposureLimit>                                    $limits
     * @param callable(ExposureLimit): array{?Figure, string} $tippingPoint
     */
    public function judge(Result $result, array $limits, callable $tippingPoint): Result
    {
        $outcomes = [];
        foreach ($limits as $limit) {
            if ($limit->quantity !== $result->key) {
                continue;
            }
            [$figure, $words] = $tippingPoint($limit);
            $outcomes[] = new LimitOutcome($limit, $limit->isCrossedBy($result->reportedFigure()->value), $this->robustness($result, $limit), $figure, $words);
        }

        return $result->against($outcomes);
    }

    private function robustness(Result $result, ExposureLimit $limit): Robustness
    {
        [$low, $high] = [$result->lowest(), $result->highest()];
        if ($low === null || $high === null) {
            return Robustness::NotKnown;
        }

        return $limit->isCrossedBy($low->value) === $limit->isCrossedBy($high->value) ? Robustness::Robust : Robustness::Undecided;
    }
}
