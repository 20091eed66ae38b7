<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\RestOfDay;

/** How much of a stated working day a result that speaks of the whole day rests on. */
final readonly class Coverage
{
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
