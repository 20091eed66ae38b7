<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\PassedOver;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** What the rules of monitors share: they look at one channel of a run, or at its part of each check. */
abstract readonly class ChannelRule implements Rule
{
    final public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $results = $case->results;
        if (!$results instanceof ChannelResults) {
            return;
        }
        yield from $this->channel($results, $case, $setting);
        foreach ($this->alsoUnusable() ? self::lookedAt($case) : $case->checks() as $check) {
            if ($check->content instanceof ChannelCheck) {
                yield from $this->check($check, $check->content, $results, $case, $setting);
            }
        }
    }

    /** Whether it looks at checks that were passed over, or that broke the bracket, as well. */
    protected function alsoUnusable(): bool
    {
        return false;
    }

    /**
     * Every check that was looked at for the bracket, usable or not.
     *
     * @return list<Check>
     */
    private static function lookedAt(RunCase $case): array
    {
        $search = $case->bracket->search;
        $broke = array_map(
            static fn (string $id): ?Check => $case->timeline->check($id),
            array_values(array_filter([$search->brokenBefore?->evidence, $search->brokenAfter?->evidence], \is_string(...))),
        );
        $passed = array_map(static fn (PassedOver $one): Check => $one->check, $search->passedOver);
        $looked = [];
        foreach (array_filter([...$broke, ...$passed, ...$case->checks()]) as $check) {
            $looked['='.$check->id] = $check;
        }
        usort($looked, Check::inOrder(...));

        return $looked;
    }

    /** @return iterable<Finding> */
    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    /** @return iterable<Finding> */
    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }
}
