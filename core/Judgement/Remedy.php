<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What still helps against a finding. */
final readonly class Remedy
{
    /**
     * @param Cure|null   $cure   what would cure it; null where nothing can any more
     * @param string|null $advice what a person may still do where no evidence cures it
     */
    public function __construct(public ?Cure $cure = null, public ?string $advice = null)
    {
    }
}
