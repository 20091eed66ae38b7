<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** The least evidence that would still save a bracket, and until when it can come. */
final readonly class Cure
{
    /** @param string $until in words, since it is mostly an event and not an hour: "before the unit is adjusted or run again" */
    public function __construct(public string $evidence, public string $until)
    {
    }
}
