<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What is known of a run before it begins. */
final readonly class Beforehand
{
    /**
     * @param non-empty-list<RunCase>                     $cases    of each channel, or of the unit
     * @param list<array{KnownBeforehand, Finding}>       $findings of rules that do not run out, the weightiest first
     * @param list<array{KnownBeforehand, Expiry}>        $expiries what runs out, the first first
     * @param list<RoutineOfUnit>                         $routines what is wanted again and again, whatever it weighs
     */
    public function __construct(public array $cases, public array $findings, public array $expiries, public array $routines)
    {
    }
}
