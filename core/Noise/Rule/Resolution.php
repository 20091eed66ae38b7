<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\AcousticCheck;
use Footnote\Core\Quantity\Exact;

/** A reading was written more coarsely than the drift limit needs. */
final readonly class Resolution implements KnownBeforehand
{
    public function id(): string
    {
        return 'reference.resolution';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('decimals');
        foreach ($case->checks() as $check) {
            $content = $check->content;
            if (!$content instanceof AcousticCheck) {
                continue;
            }
            foreach ([...$content->tone->asFound, ...$content->tone->asLeft] as $reading) {
                if (!$limit->isKeptBy(Exact::of($reading->value->decimals()))) {
                    yield $setting->finding(
                        \sprintf(
                            'A reading at the check of %s is written as %s, without tenths.',
                            $case->hour($check->at),
                            $reading->value->written,
                        ),
                        [$check->id],
                        $limit,
                    );
                    break;
                }
            }
        }
    }
}
