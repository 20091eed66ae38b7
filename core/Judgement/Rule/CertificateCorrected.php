<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A certificate that a check leans on was typed in wrongly at first: what is another in it now is told. */
final readonly class CertificateCorrected implements KnownBeforehand
{
    public function id(): string
    {
        return 'reference.certificate-corrected';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $corrected = [];
        foreach ($case->checks() as $check) {
            foreach ($case->timeline->referencesOf($check) as $reference) {
                $certificate = $reference->certificateAt($check->at);
                $correction = $certificate?->correction;
                if ($certificate !== null && $correction !== null) {
                    $seen = \sprintf(
                        'Certificate %s of %s was written otherwise until %s, corrected by %s: %s. %s',
                        $certificate->number,
                        $reference->id,
                        $correction->at->format('j M Y'),
                        $correction->by,
                        $correction->words() === '' ? 'nobody told what' : $correction->words(),
                        ucfirst($correction->reason),
                    );
                    $corrected[$seen] ??= [$reference->id];
                    $corrected[$seen][] = $check->id;
                }
            }
        }
        foreach ($corrected as $seen => $evidence) {
            yield $setting->finding($seen, $evidence);
        }
    }
}
