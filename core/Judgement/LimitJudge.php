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
     * @param (callable(Result, ExposureLimit): ?Confidence)|null $confidence
     */
    public function judge(Result $result, array $limits, callable $tippingPoint, ?callable $confidence = null): Result
    {
        $outcomes = [];
        foreach ($limits as $limit) {
            if ($limit->quantity !== $result->key) {
                continue;
            }
            [$figure, $words] = $tippingPoint($limit);
            // Where only "less than" is known, nothing shows that the limit is crossed; whether it may be is robustness.
            $outcomes[] = new LimitOutcome($limit, $limit->isCrossedBy($result->reportedFigure()->low()->value), $this->robustness($result, $limit), $figure, $words, $confidence === null ? null : $confidence($result, $limit));
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
