<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\Moments;

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
            $moments = new Moments($case->run);
            $stop = $moments->at('a', $case->bracket->stop(), 'it stopped', new Origin('run', $case->run->id, 'stop'));
            $closed = $moments->at('b', $post->at, 'the check that closes it', new Origin('check', $post->id, 'its time'));
            $delay = Figure::derived(
                't',
                'time from the stop to the check that closes it',
                Real::minus($closed->value, $stop->value),
                CommonUnit::Minute,
                SharedEquation::Between,
                ['b' => $closed, 'a' => $stop],
                0,
            );
            yield $setting->finding(
                \sprintf(
                    'The check that closes it came %s later (%s). Nothing was adjusted, repaired or exchanged in between.',
                    Span::told($late),
                    $case->hour($post->at),
                ),
                [$post->id],
                $limit,
            )->naming($delay);
        }
    }
}
