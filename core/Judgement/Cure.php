<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** The least evidence that would still save a bracket, until when it can come, and where it is brought. */
final readonly class Cure
{
    public const ANY_TIME = 'any time';

    /** @param string $until in words, since it is mostly an event and not an hour: "before the unit is adjusted or run again" */
    public function __construct(public string $evidence, public string $until, public CuredAt $at)
    {
    }

    /** Whether something that may happen next ends it: it is brought before that, or never. */
    public function isPressing(): bool
    {
        return str_starts_with($this->until, 'before ');
    }
}
