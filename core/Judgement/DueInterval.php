<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/**
 * The interval by which something falls due: in words, with its source, whether the site has set it for this one alone, and whether it is
 * one of a day at most.
 */
final readonly class DueInterval
{
    private function __construct(public string $words, public ?Source $source, public bool $isItsOwn, public bool $isOfOneDay)
    {
    }

    /** @param NamedRule|null $rule by which it is wanted; null where the policy has none, and the site alone wants it */
    public static function of(RoutineStanding $standing, ?NamedRule $rule): self
    {
        $source = $rule === null ? $standing->ownSource() : $standing->source($rule);

        return new self($standing->interval->words(), $source, $standing->own !== null, $standing->interval->isOfOneDay());
    }
}
