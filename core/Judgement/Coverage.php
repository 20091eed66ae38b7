<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\RestOfDay;

/** How much of a stated working day a result that speaks of the whole day rests on. */
final readonly class Coverage
{
    /** What a day would come to with its unsampled part as measured, or as nothing: other values of what speaks of a day. */
    public const AS_SAMPLED = 'with the unsampled part of the day as sampled';
    public const AS_NOTHING = 'with the unsampled part of the day as nothing';

    /**
     * @param float          $sampled s
     * @param float          $stated  the working day, min
     * @param RestOfDay|null $rest    a person's word on what was not sampled
     */
    private function __construct(public float $sampled, public float $stated, public ?RestOfDay $rest)
    {
    }

    /** Null where no working day was stated. */
    public static function of(float $sampled, ?float $stated, ?RestOfDay $rest): ?self
    {
        return $stated === null || $stated <= 0.0 ? null : new self($sampled, $stated, $rest);
    }
}
