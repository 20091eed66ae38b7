<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\App\Access\User;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** Registers units, or references: several at once, all of them or none. */
interface RegistersSeveral
{
    /**
     * What one of them would be.
     *
     * @throws InvalidRecord where it cannot be read
     * @throws Problem       where it is there already, or is not whole
     */
    public function read(Fields $told): object;

    /**
     * @param list<Fields> $several each that was read already
     * @param string       $from    what they came from, in words
     */
    public function several(User $by, array $several, string $from): void;
}
