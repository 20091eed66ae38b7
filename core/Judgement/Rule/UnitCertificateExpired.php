<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\CuredElsewhere;
use Footnote\Core\Judgement\Expiry;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\RunsOut;

/** The unit's own laboratory certificate was past its date on the day of the run. One that has none is held by its checks alone. */
final readonly class UnitCertificateExpired implements RunsOut, CuredElsewhere
{
    public function id(): string
    {
        return CertifiedTerm::EXPIRED_UNIT;
    }

    public function expiry(RunCase $case, RuleSetting $setting): ?Expiry
    {
        $certificate = self::certificate($case);

        return $certificate === null ? null : new Expiry(
            $certificate->lastIn($case->run->timing->start->getTimezone()),
            \sprintf('Its laboratory certificate %s was in date', $certificate->number),
        );
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $certificate = self::certificate($case);
        $start = $case->run->timing->start;
        if ($certificate !== null && !$certificate->inForceAt($start)) {
            yield $setting->finding(
                \sprintf(
                    'Laboratory certificate %s of the instrument was due on %s; the run began on %s.',
                    $certificate->number,
                    $certificate->due->format('j M Y'),
                    $start->format('j M Y'),
                ),
                [$case->run->id],
            );
        }
    }

    /** The latest that was issued by the day of the run. */
    private static function certificate(RunCase $case): ?Certificate
    {
        return $case->timeline->instrument->certificateAt($case->run->timing->start);
    }
}
