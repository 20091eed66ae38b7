<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Source\Feed;

/** A step of a half-done check with what was chosen for it. */
final readonly class StepAtHand
{
    /** @param Step|null $watched whose readings are looked at during it */
    public function __construct(
        private BenchGuide $bench,
        public Instrument $unit,
        public Step $step,
        private ?Step $watched,
        private ?Reference $reference,
        private string $setting,
    ) {
    }

    /** @return list<Feed> while something is waited for, of the step that is read next */
    public function feeds(): array
    {
        return $this->watched === null ? [] : $this->bench->feeds($this->watched, $this->unit, $this->reference, $this->setting);
    }

    /** Whether it takes readings itself. */
    public function takes(): bool
    {
        return $this->watched === $this->step;
    }

    /** @return list<string> the names of what a row of its readings holds */
    public function columns(): array
    {
        return Entry::names($this->bench->columns($this->step, $this->unit, $this->reference, $this->setting));
    }

    /** @return list<array<string, string>> the rows that it begins with */
    public function presets(): array
    {
        return $this->bench->presets($this->step, $this->unit, $this->reference, $this->setting);
    }

    /** Whether a person sets something before each of its readings. */
    public function isEachSet(): bool
    {
        return $this->step->readings?->eachSet === true;
    }

    /** Whether its readings are taken on a clock. */
    public function isClocked(): bool
    {
        return $this->step->readings?->clocked === true;
    }
}
