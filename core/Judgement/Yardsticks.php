<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a campaign measures against: criteria a family knows how to use, and limits. */
final readonly class Yardsticks
{
    /**
     * @param list<Criterion>     $criteria
     * @param list<ExposureLimit> $limits
     */
    public function __construct(public array $criteria, public array $limits)
    {
    }
}
