<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Procedure\Procedure;

/** Where an own step stands: beside a step of the procedure, or at its beginning. */
final readonly class Place
{
    /**
     * @param string $step      of the procedure; empty: it stands at the beginning
     * @param bool   $after     whether it follows that step, else it goes before it
     * @param string $procedure that alone it belongs to; empty: every one that has that step
     */
    public function __construct(public string $step, public bool $after, public string $procedure)
    {
    }

    /** After how many steps of the procedure it stands; null where the procedure has no such step. */
    public function in(Procedure $procedure): ?int
    {
        $place = $this->step === '' ? 0 : $procedure->place($this->step);

        return $place === null ? null : $place + ($this->after && $this->step !== '' ? 1 : 0);
    }
}
