<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A limit that holds behind hearing protection was set against what was measured outside of it. */
final readonly class BehindProtection implements Rule
{
    public function id(): string
    {
        return 'noise.limit-scope';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->results->worked()->results as $result) {
            foreach ($result->outcomes as $outcome) {
                if ($outcome->limit->scope === 'behind hearing protection') {
                    yield $setting->finding(
                        \sprintf(
                            '%s holds behind hearing protection; a microphone outside of it does not measure there.',
                            $outcome->limit->title,
                        ),
                        [$case->run->id],
                    );
                }
            }
        }
    }
}
