<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a policy settles beside limits, weights and the answer that is reported: a way of working. */
enum PolicyChoice: string
{
    case UnsampledTime = 'unsampledTime';
    case StartOfDayOnly = 'startOfDayOnly';
    case Trends = 'trends';

    public const NOT_EXPOSED = 'zero';
    public const AS_SAMPLED = 'rest';
    public const NEVER = 'never';
    public const WHERE_IT_STAYED = 'where it stayed';
    public const ONE_SIDE = 'one side';
    public const LIMITS_ALONE = 'limits alone';
    public const EVERY_RUN = 'every run';

    public function question(): string
    {
        return match ($this) {
            self::UnsampledTime => 'Unsampled time counts as',
            self::StartOfDayOnly => 'A check at the start of the day is enough',
            self::Trends => 'Out of the ordinary for a unit is',
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
            self::Trends => [
                self::ONE_SIDE => 'a drift beyond ± 3 s of its own, or eight in a row on one side',
                self::LIMITS_ALONE => 'a drift beyond ± 3 s of its own',
                self::EVERY_RUN => 'that, two of three beyond 2 s, or four of five beyond 1 s as well',
            ],
        };
    }
}
