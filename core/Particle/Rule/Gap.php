<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleResults;

/** Part of the run has no counts in the log. */
final readonly class Gap extends ParticleRule
{
    public function id(): string
    {
        return 'particle.gap';
    }

    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('share');
        $gaps = $results->gaps;
        if ($gaps !== null && !$limit->isKeptBy($gaps->value)) {
            yield $setting->finding(
                \sprintf('%s %% of the run is not in the log.', $gaps->shownBeside($limit->value->value)),
                [$case->run->id],
                $limit,
            )->naming($gaps);
        }
    }
}
