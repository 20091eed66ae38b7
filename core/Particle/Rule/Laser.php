<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleResults;

/** The laser was not at its nominal power. */
final readonly class Laser extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.laser';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $laser = $content->written->decimal('laser');
        foreach (['low', 'high'] as $end) {
            $limit = $setting->limit($end);
            if ($laser !== null && !$limit->isKeptBy($laser->value)) {
                yield $setting->finding(
                    \sprintf('The laser stood at %s %% of nominal at the check of %s.', $laser->written, $case->hour($check->at)),
                    [$check->id],
                    $limit,
                );
            }
        }
    }
}
