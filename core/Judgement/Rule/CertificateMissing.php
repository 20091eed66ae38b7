<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A check leaned on a reference without a certificate, or on no reference that is known. */
final readonly class CertificateMissing implements KnownBeforehand
{
    public function id(): string
    {
        return 'reference.certificate-missing';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            if ($case->timeline->referenceOf($check) === null) {
                yield $setting->finding(
                    \sprintf('The check of %s names no known reference; its nominal value is assumed to be true.', $case->hour($check->at)),
                    [$check->id],
                );
            }
            foreach ($case->timeline->referencesOf($check) as $reference) {
                if ($reference->certificateAt($check->at) === null) {
                    yield $setting->finding(
                        \sprintf(
                            '%s had no certificate at the check of %s; its nominal value is assumed to be true.',
                            $reference->id,
                            $case->hour($check->at),
                        ),
                        [$check->id, $reference->id],
                    );
                }
            }
        }
    }
}
