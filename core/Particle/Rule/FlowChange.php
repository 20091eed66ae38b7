<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleResults;

/** The flow changed between the checks. */
final readonly class FlowChange extends ParticleRule
{
    public function id(): string
    {
        return 'particle.flow';
    }

    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('change');
        foreach ($results->worked()->drifts as $drift) {
            if (!$limit->isKeptBySize($drift->value)) {
                yield $setting->finding(
                    \sprintf('%s: %s %%.', ucfirst($drift->meaning), $drift->signed()),
                    array_values(array_filter([$case->bracket->pre?->id, $case->bracket->post?->id], \is_string(...))),
                    $limit,
                )->naming($drift);
            }
        }
    }
}
