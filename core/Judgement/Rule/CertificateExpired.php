<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A reference was past its date on the day of the check. */
final readonly class CertificateExpired implements KnownBeforehand
{
    public function id(): string
    {
        return CertifiedTerm::EXPIRED_REFERENCE;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            foreach ($case->timeline->referencesOf($check) as $reference) {
                $certificate = $reference->certificateAt($check->at);
                if ($certificate !== null && !$certificate->inForceAt($check->at)) {
                    yield $setting->finding(
                        \sprintf(
                            'Certificate %s of %s was due on %s; the check was made on %s.',
                            $certificate->number,
                            $reference->id,
                            $certificate->due->format('j M Y'),
                            $check->at->format('j M Y'),
                        ),
                        [$check->id, $reference->id],
                    );
                }
            }
        }
    }
}
