<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** How an exposure is summed, as a publication defines it; each family has its own kind. */
interface Criterion
{
    public function id(): string;

    public function name(): string;
}
