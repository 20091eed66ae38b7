<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Decimal;

/** The line leaks: the pump went on drawing through a blocked line, or more vacuum was lost than its manual allows. */
final readonly class Leak extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.leak';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $leak = $content->leak;
        if ($leak === null) {
            return;
        }
        if ($leak->stalled === false) {
            yield $setting->finding(
                \sprintf('At the check of %s the pump went on drawing through a blocked line.', $case->hour($check->at)),
                [$check->id],
            );

            return;
        }
        if (!$leak->hasDecay()) {
            return;
        }
        $traits = $case->timeline->instrument->traits;
        $byManual = $leak->byManual($traits);
        if ($byManual !== null) {
            [$lost, $allowed] = $byManual;
            $within = $traits->decimal('leakLimitSeconds')->written ?? '?';
            if ($lost->compareTo($allowed) > 0) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s the vacuum fell from %s to %s in %s s; the manual allows %s in %s s.%s',
                        $case->hour($check->at),
                        $leak->start?->words() ?? '',
                        $leak->end?->words() ?? '',
                        $leak->seconds->written ?? '?',
                        $traits->measured('leakLimit')?->words() ?? '?',
                        $within,
                        $this->asFlow($content),
                    ),
                    [$check->id],
                    new Limit('leak', Decimal::parse($allowed->rounded(6)), 'kPa in '.$within.' s'),
                );
            }

            return;
        }
        $limit = $setting->limit('decay');
        $percent = $leak->lostPercent();
        if ($percent !== null && !$limit->isKeptBy($percent)) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s the vacuum fell by %s %% in %s s.%s',
                    $case->hour($check->at),
                    $percent->rounded(1),
                    $leak->seconds->written ?? '?',
                    $this->asFlow($content),
                ),
                [$check->id],
                $limit,
            );
        }
    }

    private function asFlow(FlowCheck $content): string
    {
        $flow = $content->leak?->flow($content->standard->air);

        return $flow === null ? '' : \sprintf(' That is a leak of %s mL/min.', $flow->times(1000)->rounded(1));
    }
}
