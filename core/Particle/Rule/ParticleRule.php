<?php

declare(strict_types=1);

namespace Footnote\Core\Particle\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Particle\ParticleCheck;
use Footnote\Core\Particle\ParticleResults;

/** What the rules of counters and dust monitors share: they look at the run, or at each of its checks. */
abstract readonly class ParticleRule implements Rule
{
    final public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $results = $case->results;
        if (!$results instanceof ParticleResults) {
            return;
        }
        yield from $this->run($results, $case, $setting);
        foreach ($case->checks() as $check) {
            if ($check->content instanceof ParticleCheck) {
                yield from $this->check($check, $check->content, $results, $case, $setting);
            }
        }
    }

    /** @return iterable<Finding> */
    protected function run(ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    /** @return iterable<Finding> */
    protected function check(Check $check, ParticleCheck $content, ParticleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }
}
