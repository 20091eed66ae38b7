<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;

/** What a family worked out of a run, beside its rules. */
interface FamilyResults
{
    /** @return list<Result> */
    public function results(): array;

    /**
     * The drift of each check response against the one that began its segment, in order.
     *
     * @return list<Figure>
     */
    public function drifts(): array;

    /**
     * What only this family has to show beside the results, for the page and for files.
     *
     * @return array<string, mixed>
     */
    public function describe(Sheet $sheet): array;
}
