<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleResults;

/** The cell let too little light through. */
final readonly class Cell extends ParticleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'particle.cell';
    }

    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $cell = $content->written->decimal('cellLeft') ?? $content->written->decimal('cell');
        $limit = $setting->limit('transmission');
        if ($cell !== null && !$limit->isKeptBy($cell->value)) {
            yield $setting->finding(
                \sprintf('The cell let %s %% through at the check of %s.', $cell->written, $case->hour($check->at)),
                [$check->id],
                $limit,
                advice: 'Clean it again, with a solvent; ventilate.',
            );
        }
    }
}
