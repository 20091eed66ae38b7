<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;

/** It was much warmer or colder at the run than at the check. */
final readonly class ConditionsChanged extends ChannelRule
{
    public function id(): string
    {
        return 'gas.conditions';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $there = $results->sensed->run->air->temperature;
        foreach ($case->checks() as $check) {
            $here = $check->content instanceof ChannelCheck ? $check->content->whole->temperature : null;
            if ($here === null || $there === null) {
                continue;
            }
            $off = $there->in(CommonUnit::Kelvin)->minus($here->in(CommonUnit::Kelvin));
            $limit = $setting->limit('temperature');
            if (!$limit->isKeptBy($off->absolute())) {
                yield $setting->finding(
                    \sprintf('It was %s at the run and %s at the check of %s.', $there->words(), $here->words(), $case->hour($check->at)),
                    [$check->id],
                    $limit,
                );
            }
        }
    }
}
