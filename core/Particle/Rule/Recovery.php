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

/** Another number of spheres was counted than was put in. */
final readonly class Recovery extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.recovery';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $spike = $content->written->measured('spike');
        $jug = $content->written->measured('jug');
        $observed = $content->written->decimal('observed');
        $lot = $case->timeline->reference($content->written->text('lot') ?? '');
        $expected = $lot === null || $spike === null || $jug === null ? null : (new Spheres($lot))->diluted($spike, $jug, $check->at);
        if ($expected === null || $observed === null || $expected->toFloat() <= 0.0) {
            return;
        }
        $recovery = 100 * $observed->value->toFloat() / $expected->toFloat();
        foreach (['low', 'high'] as $end) {
            $limit = $setting->limit($end);
            if (!$limit->isKeptBy($recovery)) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s %s per mL were counted where %s were expected: %s %%.',
                        $case->hour($check->at),
                        $observed->written,
                        $expected->shown(),
                        number_format($recovery, 0, '.', ''),
                    ),
                    [$check->id],
                    $limit,
                )->naming($expected);
            }
        }
    }
}
