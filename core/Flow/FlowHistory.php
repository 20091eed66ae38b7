<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Tally;
use Footnote\Core\Evidence\Tallying;
use Footnote\Core\Evidence\Timeline;

/** The flow of a unit at all its usable checks, and how it changed from each to the next. */
final readonly class FlowHistory
{
    private function __construct(private Timeline $timeline, private Tally $tally)
    {
    }

    public static function of(Timeline $timeline, \DateTimeImmutable $until): self
    {
        return new self($timeline, Tallying::upTo($until, new FlowFold(), $timeline));
    }

    public function largestDrift(): ?Figure
    {
        $largest = $this->tally->largest;
        $check = $largest === null ? null : $this->timeline->check($largest->check);
        $since = $largest === null ? null : $this->timeline->check($largest->since);
        if ($check === null || $since === null) {
            return null;
        }
        $found = FlowFold::reading()->of($check, $this->timeline)[0];
        $left = FlowFold::reading()->of($since, $this->timeline)[1];

        return $found === null || $left === null
            ? null
            : FlowChange::between($left, $found, 'the most the flow of this instrument has changed, from '.$since->id.' to '.$check->id);
    }
}
