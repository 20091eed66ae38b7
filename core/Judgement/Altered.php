<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** What an alteration does to one result: the number that it would be otherwise. */
final readonly class Altered
{
    /** @param Figure|null $otherwise with what was taken out left in, or with what was left in taken out; null where there would be none */
    public function __construct(public Alteration $by, public ?Figure $otherwise)
    {
    }
}
