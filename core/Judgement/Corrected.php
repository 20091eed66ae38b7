<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\InPlaceOf;

/** One check in the place of another, as it bears on a run. */
final readonly class Corrected
{
    /**
     * @param string      $check that counts
     * @param string|null $to    the instrument that it was moved to; empty: here, from another; null: it is of this one still
     */
    public function __construct(public string $check, public InPlaceOf $why, public ?string $to = null)
    {
    }

    /** What stands where. */
    public function what(): string
    {
        $new = $this->check;
        $old = $this->why->check;

        return match ($this->to) {
            null => "Check $new stands in the place of $old, which was written wrongly",
            '' => "Check $new was written for another instrument, as $old, and moved here",
            default => "Check $old was written for this instrument and moved to $this->to, as $new",
        };
    }

    /** Why, and how it is known. */
    public function because(): string
    {
        return \sprintf('%s (%s)', rtrim($this->why->reason, '.'), $this->why->how->words());
    }

    public function words(): string
    {
        $did = $this->to === null ? 'corrected' : 'moved';

        $on = $this->why->at->format('j M Y H:i');

        return \sprintf('%s; %s by %s on %s: %s', $this->what(), $did, $this->why->by, $on, $this->because());
    }
}
