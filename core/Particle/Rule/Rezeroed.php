<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleResponse;
use Footnote\Core\Particle\ParticleResults;

/** A dust monitor was zeroed without anybody reading it: its zero is assumed from there on. */
final readonly class Rezeroed extends ParticleRule
{
    public function id(): string
    {
        return 'particle.rezeroed';
    }

    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        foreach (ParticleResponse::rezeroed($case->bracket, $case->timeline) as $event) {
            yield $setting->finding(
                \sprintf('Zeroed at %s without a reading: what its zero had been by then is not known.', $case->hour($event->at)),
                [$event->id],
            );
        }
    }
}
