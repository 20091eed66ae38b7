<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;

/** What a family worked out of a run, beside its rules. */
interface FamilyResults
{
    public function worked(): WorkedOut;

    /**
     * The drifts that one result rests on.
     *
     * @return list<Figure>
     */
    public function driftsOf(Result $result): array;

    /**
     * The key of the result that stands for the run, among those given; null where there is none.
     *
     * @param list<Result> $results
     */
    public function headline(array $results): ?string;

    /**
     * How a result stands in the ledger beside what stands for its run: the heading of a column of its own, nothing for a line
     * within the run's; null where it only stands there by a limit.
     */
    public function inLedger(Result $result): ?string;

    /** The limit that the policy sets to drift; null where its rule is off. */
    public function driftLimit(Policy $policy): ?Limit;

    /** The certified expanded uncertainty of the reference at a check, in the unit of the drift limit; null where not given. */
    public function uncertaintyOf(Check $check): ?Figure;

    /** The answer that is the ordinary sum, nothing corrected; null where there is none of it. */
    public function ordinary(Result $result): ?Figure;

    /**
     * What only this family has to show beside the results, for the page and for files.
     *
     * @return array<string, mixed>
     */
    public function describe(Sheet $sheet): array;
}
