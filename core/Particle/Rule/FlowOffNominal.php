<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleResponse;
use Footnote\Core\Particle\ParticleResults;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** The flow was not the one that the unit counts by. */
final readonly class FlowOffNominal extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.flow-nominal';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $flow = (new ParticleResponse())->flow(
            $content->rows($content->flowAdjusted() ? 'flowLeft' : 'flowFound'),
            'as left',
            $check,
            $case->timeline,
        );
        $nominal = $case->timeline->instrument->traits->measured('nominalFlow')?->in(CommonUnit::LitrePerMinute);
        if ($flow === null || $nominal === null || $nominal->isZero()) {
            return;
        }
        $off = Real::by(Real::times(Real::minus($flow->value, $nominal), Exact::of(100)), $nominal);
        $limit = $setting->limit('deviation');
        if (!$limit->isKeptBy($off instanceof Exact ? $off->absolute() : abs($off))) {
            yield $setting->finding(
                \sprintf(
                    'The flow of the check of %s was %s %% off its nominal one.',
                    $case->hour($check->at),
                    number_format(Real::toFloat($off), 1, '.', ''),
                ),
                [$check->id],
                $limit,
            );
        }
    }
}
