<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleResults;
use Footnote\Core\Particle\ParticleUnit;

/** A photometer without a filter weighed beside it: its numbers are its own. */
final readonly class Unweighed extends ParticleRule
{
    public function id(): string
    {
        return 'particle.unweighed';
    }

    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($case->timeline->instrument->traits->text('kind') === ParticleUnit::PHOTOMETER
            && $results->factor === null
            && $results->worked()->results !== []) {
            yield $setting->finding(
                'No filter was weighed for the same period and no factor is known: the numbers are units of the photometer.',
                [$case->run->id],
                cure: new Cure('the weighed filter of the same period', Cure::ANY_TIME, CuredAt::Run),
            );
        }
    }
}
