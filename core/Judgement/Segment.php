<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Declaration;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\Span;

/**
 * The part of a run up to a check that passed, which a person declared representative since the check after it failed. It is
 * judged like a run that ended there: its bracket closes at that check, and nothing behind it counts.
 */
final readonly class Segment
{
    private function __construct(public Check $check, public Span $span, public Bracket $bracket, public Declaration $declaration)
    {
    }

    /**
     * Null where nothing was declared, or the declaration does not count: only a log can be cut, and only while the check
     * after the run fails.
     *
     * @param \Closure(Bracket): bool $fails  whether the response moved more along a bracket than the policy allows
     */
    public static function of(Run $run, Bracket $bracket, bool $hasLog, \Closure $fails): ?self
    {
        $declaration = $run->notes->declaration;
        if ($declaration === null || !$hasLog) {
            return null;
        }
        foreach ($bracket->between as $check) {
            if ($declaration->check === $check->id && $bracket->post !== null && $fails($bracket)) {
                $cut = $bracket->closedBy($check);

                return $fails($cut) ? null : new self($check, new Span($run->timing->start, $check->at), $cut, $declaration);
            }
        }

        return null;
    }
}
