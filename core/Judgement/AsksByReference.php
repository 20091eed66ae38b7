<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Procedure\Step;

/** A bench guide whose steps hang on what the chosen reference can show. */
interface AsksByReference extends BenchGuide
{
    /**
     * What a step asks where this reference was chosen; null where it asks nothing, since the reference cannot show it.
     *
     * @param Reference|null $reference null: none was chosen yet
     */
    public function instruction(Step $step, Instrument $unit, ?Reference $reference, \DateTimeImmutable $on): ?string;
}
