<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Reference;

/** A family whose checks use a reference up, such as a bottle of gas. */
interface TellsWhatIsLeft
{
    /** @return non-empty-list<string> kinds of references that are used up */
    public function usedUp(): array;

    /**
     * What is left by the newest check that tells it, in words; null where none does.
     *
     * @param list<Check> $checks that leaned on the reference, the newest first
     */
    public function left(Reference $reference, array $checks): ?string;

    /**
     * For how many minutes it is enough by the same check; null where none tells it.
     *
     * @param list<Check> $checks that leaned on the reference, the newest first
     */
    public function minutesLeft(Reference $reference, array $checks): ?Figure;
}
