<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Somebody reported that something odd happened during the run. */
final readonly class RemarkMade implements Rule
{
    /** @param list<RemarkKind> $kinds the remarks this rule is about */
    public function __construct(private string $id, private array $kinds)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->run->remarks as $remark) {
            if (\in_array($remark->kind, $this->kinds, true)) {
                $words = ucfirst($remark->kind->value).($remark->at === null ? '' : ' at '.$case->hour($remark->at));
                yield $setting->finding(rtrim($words.($remark->note === '' ? '' : ': '.$remark->note), '.').'.', [$case->run->id]);
            }
        }
    }
}
