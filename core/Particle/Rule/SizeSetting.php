<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleResults;
use Footnote\Core\Particle\Spheres;

/** Half of the spheres were counted at another size than theirs. */
final readonly class SizeSetting extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.size-setting';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $threshold = $content->written->decimal('threshold');
        $lot = $case->timeline->reference($content->written->text('lot') ?? '');
        $certified = $lot === null ? null : (new Spheres($lot))->diameter($check->at);
        if ($threshold === null || $certified === null || $certified->value->isZero()) {
            return;
        }
        $error = $threshold->value->minus($certified->value)->times(100)->dividedBy($certified->value);
        $limit = $setting->limit('error');
        if (!$limit->isKeptBy($error->absolute())) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s half of the spheres of %s µm were counted at %s µm, %s %% off.',
                    $case->hour($check->at),
                    $certified->written,
                    $threshold->written,
                    $error->rounded(1),
                ),
                [$check->id, $lot->id],
                $limit,
            );
        }
    }
}
