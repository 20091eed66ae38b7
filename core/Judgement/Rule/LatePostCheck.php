<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Span;

/** The post-check came late, and nothing happened in between. */
final readonly class LatePostCheck implements Rule
{
    public function id(): string
    {
        return 'bracket.late-post-check';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $post = $case->bracket->post;
        $limit = $setting->limit('delay');
        if ($post === null) {
            return;
        }
        $late = Span::secondsBetween($case->bracket->stop(), $post->at);
        if (!$limit->isKeptBy($late / 3600)) {
            yield $setting->finding(
                \sprintf(
                    'The check that closes it came %s later (%s). Nothing was adjusted, repaired or exchanged in between.',
                    Span::told($late),
                    $case->hour($post->at),
                ),
                [$post->id],
                $limit,
            );
        }
    }
}
