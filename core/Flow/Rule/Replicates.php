<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\FlowMeasurement;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The readings of one check do not agree: range over mean. */
final readonly class Replicates extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.replicates';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('spread');
        foreach (self::used($check, $content, $case) as $when => $rows) {
            $measured = FlowMeasurement::of($rows, $when, $check, $content, $case->timeline);
            if ($measured !== null && !$limit->isKeptBy($measured->spread->value)) {
                yield $setting->finding(
                    \sprintf(
                        'The readings %s at the check of %s spread over %s %% of their mean.',
                        $when,
                        $case->hour($check->at),
                        $measured->spread->shownBeside($limit->value->value),
                    ),
                    [$check->id],
                    $limit,
                );
            }
        }
    }
}
