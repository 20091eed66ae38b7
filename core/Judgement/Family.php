<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Procedure\Procedure;

/** A family of instruments: its response, its results, its rules, its procedures, and nothing else. */
interface Family
{
    public function id(): string;

    /** As people call a unit of it, such as "noise dosimeter". */
    public function title(): string;

    /** @param Policy|null $policy whose limits say what fails a unit; null: as shipped */
    public function usability(?Policy $policy = null): Usability;

    /** The parameter of the response that a bracket rests on: whatever breaks it between two checks breaks the bracket. */
    public function bracketRestsOn(): string;

    /** What policies settle for it. */
    public function topic(): Topic;

    /** @return non-empty-list<Procedure> the usual one first */
    public function procedures(Instrument $unit): array;

    public function bench(): BenchGuide;

    /** @return list<Rule> */
    public function rules(): array;

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults;
}
