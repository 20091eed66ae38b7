<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Usability;
use Footnote\Core\Procedure\Procedure;

/** A family of instruments: its response, its results, its rules, its procedure, and nothing else. */
interface Family
{
    public function id(): string;

    public function usability(): Usability;

    /** The parameter of the response that a bracket is about. */
    public function parameter(): string;

    public function procedure(): Procedure;

    /** @return list<Rule> */
    public function rules(): array;

    public function workOut(Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): FamilyResults;
}
