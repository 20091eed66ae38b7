<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/**
 * A head or a cyclone that selects a size was run off its design flow: it selected another size. Two rules: the graver far
 * off. Tubes, and heads that take everything, have the method's range instead.
 */
final readonly class DesignFlow extends SampleRule
{
    public function __construct(private string $id, private ?string $graver)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $written = $results->sample->selectsSize() ? $results->sample->designFlow() : null;
        $design = $written?->in(CommonUnit::LitrePerMinute);
        if ($written === null || $design === null || $design->isZero()) {
            return;
        }
        $limit = $this->limit($setting->limit('deviation'), $results, $this->graver === null);
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'deviation');
        $graver = $graver === null ? null : $this->limit($graver, $results, true);
        foreach ($results->drawn->line->knots ?? [] as $knot) {
            $deviation = Figure::derived(
                'e',
                'deviation from the design flow',
                Real::times(Real::by(Real::minus($knot->flow->value, $design), $design), Exact::of(100)),
                CommonUnit::Percent,
                SharedEquation::OffNominal,
                [
                    'x' => $knot->flow,
                    'X' => Figure::measured(
                        'Q_d',
                        'design flow of '.($results->sample->sampler?->text('name') ?? 'the sampler'),
                        $written,
                        CommonUnit::LitrePerMinute,
                        new Origin('library', $results->sample->sampler?->text('code') ?? '', 'of the sampler'),
                        2,
                    ),
                ],
            );
            $size = $deviation->value instanceof Exact ? $deviation->value->absolute() : abs($deviation->value);
            if (!$limit->isKeptBy($size) && ($graver === null || $graver->isKeptBy($size))) {
                yield $setting->finding(
                    \sprintf(
                        '%s L/min %s at %s is %s %% off the design flow of %s, %s: it selected another size.',
                        $knot->flow->shown(),
                        $knot->asLeft ? 'as left' : 'as found',
                        $knot->check,
                        $deviation->signed(),
                        $results->sample->sampler?->text('name') ?? 'the sampler',
                        $written->words(),
                    ),
                    [$knot->check],
                    $limit,
                )->naming($knot->flow, $deviation);
            }
        }
    }

    /** A sampler's own tolerance stands for the policy's; it is never further off before the sample is void. */
    private function limit(Limit $limit, SampleResults $results, bool $isGraver): Limit
    {
        $own = $results->sample->sampler?->decimal('tolerance');

        return $own === null || ($isGraver && $own->value->compareTo($limit->value->value) <= 0)
            ? $limit
            : new Limit('deviation', $own, '%');
    }
}
