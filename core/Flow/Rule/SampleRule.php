<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** What the rules of air sampling share: they look at the sample, at its flow checks, or at one substance of it. */
abstract readonly class SampleRule implements Rule
{
    final public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $results = $case->results;
        if (!$results instanceof SampleResults) {
            return;
        }
        yield from $this->sample($results, $case, $setting);
        foreach ($case->checks() as $check) {
            if ($check->content instanceof FlowCheck) {
                yield from $this->check($check, $check->content, $results, $case, $setting);
            }
        }
        foreach ($results->sample->analysed->analytes as $analyte) {
            yield from $this->analyte($analyte, $results, $case, $setting);
        }
    }

    /**
     * The lists of readings of a check that the answers rest on: before the run what it was left with, after it what it was
     * found with.
     *
     * @return array<string, list<FlowRow>> by "as found", "as left"
     */
    final protected static function used(Check $check, FlowCheck $content, RunCase $case): array
    {
        $found = ['as found' => $content->readings->asFound];
        $left = ['as left' => $content->readings->asLeft];

        return match (true) {
            !$content->readings->adjusted, $check === $case->bracket->post => $found,
            $check === $case->bracket->pre => $left,
            default => [...$found, ...$left],
        };
    }

    /** @return iterable<Finding> */
    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    /** @return iterable<Finding> */
    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    /** @return iterable<Finding> */
    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }
}
