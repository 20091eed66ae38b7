<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/** A size-selective sampler selects what it promises only at its design flow; the actual flow in the field counts. */
final readonly class DesignFlow extends SampleRule
{
    public function id(): string
    {
        return 'flow.design';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $written = $results->sample->designFlow();
        $design = $written?->in(Unit::LitrePerMinute);
        if ($written === null || $design === null || $design->isZero()) {
            return;
        }
        $own = $results->sample->sampler?->decimal('tolerance');
        $limit = $own === null ? $setting->limit('deviation') : new Limit('deviation', $own, '%');
        foreach ($results->line->knots ?? [] as $knot) {
            $deviation = Real::times(Real::by(Real::minus($knot->flow->value, $design), $design), Exact::of(100));
            if (!$limit->isKeptBy($deviation instanceof Exact ? $deviation->absolute() : abs($deviation))) {
                yield $setting->finding(\sprintf('%s L/min %s at %s is %s%s %% off the design flow of %s, %s.', $knot->flow->shown(), $knot->asLeft ? 'as left' : 'as found', $knot->check, Real::toFloat($deviation) < 0 ? '−' : '+', number_format(abs(Real::toFloat($deviation)), 1, '.', ''), $results->sample->sampler?->text('name') ?? 'the sampler', $written->words()), [$knot->check], $limit);
            }
        }
    }
}
