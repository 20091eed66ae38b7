<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleResults;

/** The factor of the photometer is of another day. */
final readonly class FactorBorrowed extends ParticleRule
{
    public function id(): string
    {
        return 'particle.factor-borrowed';
    }

    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->record->written->decimal('photometerFactor') !== null && $results->record->written->decimal('weighed') === null) {
            yield $setting->finding(
                \sprintf(
                    'The factor %s comes from another day; the dust may have been another.',
                    $results->record->written->decimal('photometerFactor')->written,
                ),
                [$case->run->id],
            );
        }
    }
}
