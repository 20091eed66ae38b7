<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Evidence\Usability;

/** When a check of a counter or a dust monitor shows nothing: broken off, set aside, no flow that can be told. */
final readonly class ParticleUsability implements Usability
{
    private const NO_FLOW = 'nothing flowed: was the inlet open, and the pump running?';

    public function whyUnusable(Check $check, Timeline $timeline): array
    {
        $content = $check->content;
        if (!$content instanceof ParticleCheck) {
            return ['not a check of particles'];
        }
        $reasons = UnusableBecause::usual($check);
        if (!$content->hasAsFound()) {
            $reasons[] = UnusableBecause::AS_FOUND_MISSING;
        }
        $response = new ParticleResponse();
        foreach (['flowFound' => 'as found', 'flowLeft' => 'as left'] as $list => $when) {
            $flow = $response->flow($content->rows($list), $when, $check, $timeline);
            if ($flow !== null && $flow->toFloat() <= 0.0) {
                $reasons[] = self::NO_FLOW;
            }
        }

        return $reasons;
    }

    public function asksOnlyWhetherItWorks(Check $check): bool
    {
        return false;
    }

    public function whyFailed(Check $check, Timeline $timeline, bool $asLeft): ?string
    {
        return null;
    }
}
