<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Somebody reported that something odd happened during the run. */
final readonly class RemarkMade implements Rule
{
    /** @param bool $spoiling whether it is about remarks after which the unit measured something else than it was to */
    public function __construct(private string $id, private bool $spoiling)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->run->notes->remarks as $remark) {
            if ($remark->kind->spoils() === $this->spoiling) {
                $words = ucfirst($remark->kind->id()).($remark->at === null ? '' : ' at '.$case->hour($remark->at));
                yield $setting->finding(rtrim($words.($remark->note === '' ? '' : ': '.$remark->note), '.').'.', [$case->run->id]);
            }
        }
    }
}
