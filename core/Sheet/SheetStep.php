<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Procedure\Step;

/** A step that a model sheet adds, and where it stands. */
final readonly class SheetStep
{
    /**
     * @param string         $sheet the code of its sheet
     * @param Step           $step  its identifier begins with the code of its sheet
     * @param Place          $place where it stands
     * @param list<Written>  $asks  what is written down at it
     * @param bool           $onlyAdjusted whether it is asked only where the last adjusting before it was done
     */
    public function __construct(
        public string $sheet,
        public Step $step,
        public Place $place,
        public array $asks,
        public bool $onlyAdjusted,
    ) {
    }

    /** @param string $asked name of the answer that says that it was adjusted */
    public function onlyAfter(string $asked): self
    {
        return new self($this->sheet, $this->step->onlyAfter($asked), $this->place, $this->asks, $this->onlyAdjusted);
    }
}
