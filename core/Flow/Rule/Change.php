<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/**
 * The flow changed between the checks; a filter cannot be cut, so the largest change over all checks counts. Two rules
 * with two limits: the graver speaks alone.
 */
final readonly class Change extends SampleRule
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
        $largest = null;
        foreach ($results->worked()->drifts as $drift) {
            if ($largest === null || Real::compare(self::size($drift), self::size($largest)) > 0) {
                $largest = $drift;
            }
        }
        if ($largest === null) {
            return;
        }
        $limit = $setting->limit('change');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'change');
        if (!$limit->isKeptBy(self::size($largest)) && ($graver === null || $graver->isKeptBy(self::size($largest)))) {
            $words = \sprintf('%s: %s %%.', ucfirst($largest->meaning), self::beside($largest, $limit->value->value));
            yield $setting->finding(
                $words,
                array_values(array_filter([$results->bracket->pre?->id, $results->bracket->post?->id], \is_string(...))),
                $limit,
            )->naming($largest);
        }
    }

    private static function size(Figure $drift): Exact|float
    {
        return $drift->value instanceof Exact ? $drift->value->absolute() : abs($drift->value);
    }

    private static function beside(Figure $drift, Exact $limit): string
    {
        return $drift->toFloat() < 0 ? '−'.ltrim($drift->shownBeside($limit->negated()), '-') : '+'.$drift->shownBeside($limit);
    }
}
