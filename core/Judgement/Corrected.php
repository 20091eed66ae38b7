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

    public function words(): string
    {
        return match ($this->to) {
            null => \sprintf('Check %s stands in the place of %s, which was written wrongly', $this->check, $this->why->check),
            '' => \sprintf('Check %s was written for another instrument, as %s, and moved here', $this->check, $this->why->check),
            default => \sprintf('Check %s was written for this instrument and moved to %s, as %s', $this->why->check, $this->to, $this->check),
        }.\sprintf(
            '; %s by %s on %s: %s (%s)',
            $this->to === null ? 'corrected' : 'moved',
            $this->why->by,
            $this->why->at->format('j M Y H:i'),
            rtrim($this->why->reason, '.'),
            $this->why->how->words(),
        );
    }
}
