<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Logged;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;

/** The unit's clock was off; its times were set right. Two rules with two limits: the graver one silences the lighter. */
final readonly class ClockOffset implements Rule
{
    public function __construct(private string $id, private ?string $graver)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $offset = $case->run->timing->clockOffset;
        if ($offset === null) {
            return;
        }
        $limit = $setting->limit('offset');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'offset');
        if ($limit->isKeptBy(abs($offset)) || ($graver !== null && !$graver->isKeptBy(abs($offset)))) {
            return;
        }
        $content = $case->run->content;
        $log = $content instanceof Logged && $content->log() !== null ? '; the times of its log are set right by it' : '';
        yield $setting->finding(
            \sprintf(
                'The instrument\'s clock was %s s %s%s.',
                Digits::trimmed(abs($offset), 1),
                $offset > 0 ? 'ahead' : 'behind',
                $log,
            ),
            [$case->run->id],
            $limit,
        )->naming(
            Figure::read(
                'δ',
                'offset of the instrument\'s clock',
                $offset,
                CommonUnit::Second,
                new Origin('run', $case->run->id, 'stated with the run'),
                0,
            ),
        );
    }
}
