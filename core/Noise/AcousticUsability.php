<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Evidence\Usability;

/** When an acoustic check shows nothing of the unit: broken off, set aside, unsteady, no such level, no value as found. */
final readonly class AcousticUsability implements Usability
{
    public function whyUnusable(Check $check, Timeline $timeline): array
    {
        $content = $check->content;
        if (!$content instanceof AcousticCheck) {
            return ['not an acoustic check'];
        }
        $reasons = UnusableBecause::usual($check);
        if ($check->missed(AcousticProcedure::STEADY)) {
            $reasons[] = 'the level was not steady';
        }
        $reference = $timeline->referenceOf($check);
        $certificate = $reference?->certificateAt($check->at);
        if ($certificate !== null && $content->tone->certifiedBy($certificate) === null) {
            $reasons[] = \sprintf('%s has no certified level of %s', $reference->id, $content->tone->words());
        }
        if (!$content->hasAsFound()) {
            $reasons[] = UnusableBecause::AS_FOUND_MISSING;
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
