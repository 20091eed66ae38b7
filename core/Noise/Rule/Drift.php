<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Sound;

/** The unit moved more along the bracket than the policy allows. With several checks the largest movement counts. */
final readonly class Drift implements Rule
{
    public function id(): string
    {
        return 'noise.drift';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('drift');
        $worst = null;
        $good = null;
        foreach ($case->results->worked()->drifts as $drift) {
            if (!$limit->isKeptBySize($drift->value)) {
                $worst = $worst === null || abs($drift->toFloat()) > abs($worst->toFloat()) ? $drift : $worst;
            } elseif ($worst === null) {
                $good = $drift;
            }
        }
        if ($worst === null) {
            return;
        }
        $checks = array_map(static fn ($check): string => $check->id, $case->checks());
        $drifted = \sprintf('%s: %s dB.', ucfirst($worst->meaning), $worst->signed());
        yield $setting->finding($drifted, $checks, $limit, advice: self::advice($case, $good !== null))->naming($worst);
    }

    /** @param bool $good whether the unit had not drifted yet at a check in between */
    private static function advice(RunCase $case, bool $good): ?string
    {
        if ($good && Sound::heard($case->run)?->log !== null) {
            return 'The check in between passed: a person may declare the segment up to it representative of the run.';
        }

        return $case->bracket->post?->content->wasAdjusted() === false
            ? 'If the check itself was faulty (seal, adapter, level), set it aside with the reason and check again '
                .'before the instrument is adjusted or run.'
            : null;
    }
}
