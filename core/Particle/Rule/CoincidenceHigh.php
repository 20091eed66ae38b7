<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleResults;

/** So many particles passed together that too many were counted as one. */
final readonly class CoincidenceHigh extends ParticleRule
{
    public function id(): string
    {
        return 'particle.coincidence';
    }

    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('loss');
        if ($results->hidden->beyond) {
            yield $setting->finding(
                'More was counted than any concentration can show with its dead time: it lies beyond what the counter can tell.',
                [$case->run->id],
                $limit,
            );
        } elseif ($results->hidden->loss !== null && !$limit->isKeptBy($results->hidden->loss->toFloat())) {
            yield $setting->finding(
                \sprintf('Coincidence hides %s %% of the particles.', $results->hidden->loss->shown()),
                [$case->run->id],
                $limit,
                advice: 'Put a diluter before it.',
            )->naming($results->hidden->loss);
        }
    }
}
