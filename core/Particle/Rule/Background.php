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
use Footnote\Core\Particle\ParticleUnit;
use Footnote\Core\Quantity\Exact;

/** Clean air gave more counts than allowed. */
final readonly class Background extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.background';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $own = $case->timeline->instrument->traits->decimal('backgroundLimit');
        $limit = $setting->limit('rate');
        foreach (ParticleUnit::sizes($case->timeline->instrument) as $size) {
            $rate = (new ParticleResponse())->background($check, $size)?->value;
            if ($rate instanceof Exact && ($own === null ? !$limit->isKeptBy($rate) : $rate->compareTo($own->value) > 0)) {
                yield $setting->finding(
                    \sprintf(
                        'In clean air it counted %s a minute from %s µm up at the check of %s; allowed are %s.',
                        $rate->rounded(1),
                        $size,
                        $case->hour($check->at),
                        $own === null ? $limit->value->written : $own->written.' by its maker',
                    ),
                    [$check->id],
                    $own === null ? $limit : null,
                );

                return;
            }
        }
    }
}
