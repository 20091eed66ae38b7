<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a policy settles beside limits, weights and the answer that is reported: a way of working. */
enum PolicyChoice: string
{
    case UnsampledTime = 'unsampledTime';
    case StartOfDayOnly = 'startOfDayOnly';

    public const NOT_EXPOSED = 'zero';
    public const AS_SAMPLED = 'rest';
    public const NEVER = 'never';
    public const WHERE_IT_STAYED = 'where it stayed';

    public function question(): string
    {
        return match ($this) {
            self::UnsampledTime => 'Unsampled time counts as',
            self::StartOfDayOnly => 'A check at the start of the day is enough',
        };
    }

    /** @return non-empty-array<string, string> words by what stands in a policy, the usual first */
    public function answers(): array
    {
        return match ($this) {
            self::UnsampledTime => [
                self::NOT_EXPOSED => 'not exposed',
                self::AS_SAMPLED => 'exposed as in the time sampled',
            ],
            self::StartOfDayOnly => [
                self::NEVER => 'never',
                self::WHERE_IT_STAYED => 'for an instrument that stayed in one quiet place',
            ],
        };
    }
}
