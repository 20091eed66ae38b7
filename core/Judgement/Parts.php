<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** What is made of several results could be otherwise wherever one of them could. */
final class Parts
{
    /**
     * What several results come to together: each answer of the one with the like answer of the others, lower ends with lower
     * ends, upper with upper.
     *
     * @param \Closure(\Closure(Result): ?Figure, string): ?Figure $sum  over one figure of every part, which is named in words
     * @param Answer $else as which the parts as reported are told, where they were not closed alike
     */
    public static function together(\Closure $sum, Answer $else = Answer::Pre): FourAnswers
    {
        $by = static fn (Answer $answer): ?Figure => $sum(static fn (Result $part): ?Figure => $part->answer($answer), $answer->words());
        $ends = [
            $sum(static fn (Result $part): ?Figure => $part->lowest(), 'lower ends'),
            $sum(static fn (Result $part): ?Figure => $part->highest(), 'upper ends'),
        ];
        $answers = new FourAnswers(
            $by(Answer::Indicated),
            $by(Answer::Pre),
            $by(Answer::Post),
            $by(Answer::Between),
            array_values(array_filter($ends)),
        );
        if (!$answers->isEmpty()) {
            return $answers;
        }
        $asReported = $sum(static fn (Result $part): Figure => $part->reportedFigure(), 'as each sample is reported');

        return $else === Answer::Indicated
            ? new FourAnswers($asReported, null, null, null, $answers->byChecks)
            : new FourAnswers(null, $asReported, null, null, $answers->byChecks);
    }

    /**
     * With every value that a part could have as well, and with every number that one would be without what a rule took out of
     * the evidence itself, put together as the parts are.
     *
     * @param list<Result>                                $parts
     * @param \Closure(\Closure(Result): ?Figure): ?Figure $sum  over one figure of every part
     * @param list<string>                                $less other values of a part that are none of the whole
     */
    public static function carried(Result $made, array $parts, \Closure $sum, array $less = []): Result
    {
        $also = array_merge(...array_map(static fn (Result $part): array => array_column($part->footing->also, 0), $parts));
        foreach (array_unique(array_diff($also, $less)) as $words) {
            $made = $made->or($words, $sum(static fn (Result $part): Figure => $part->otherwise($words)));
        }
        $carried = [];
        foreach ($parts as $part) {
            foreach ($part->footing->altered as $one) {
                if ($one->by->by === RecallSetRight::RULE) {
                    $carried[$one->by->what] ??= $one->by;
                }
            }
        }
        foreach ($carried as $what => $alteration) {
            $made = $made->altered(
                new Altered($alteration, $sum(static fn (Result $part): Figure => $part->without($what))),
            );
        }

        return $made;
    }
}
