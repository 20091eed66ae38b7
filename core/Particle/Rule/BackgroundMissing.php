<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleResults;
use Footnote\Core\Particle\ParticleUnit;

/** Nobody counted clean air before or after, so that nothing is taken off. */
final readonly class BackgroundMissing extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.background-missing';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($content->rows('blankFound') === [] && $case->timeline->instrument->traits->text('kind') !== ParticleUnit::PHOTOMETER) {
            yield $setting->finding(
                \sprintf('At the check of %s no clean air was counted; no background is taken off there.', $case->hour($check->at)),
                [$check->id],
            );
        }
    }
}
