<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Response\Knot;

/** A response along the bracket as the page draws it: a family without a picture of its own describes itself by this alone. */
final class DrawnResponse
{
    /** What a description is called that is nothing but a line. */
    public const PLAIN = 'plain';

    /**
     * @template K of Knot
     *
     * @param list<K>             $knots in order of time
     * @param \Closure(K): Figure $of    what is drawn of each
     *
     * @return list<array{at: string, check: string, end: string, assumed: bool, figure: string}>
     */
    public static function of(Sheet $sheet, array $knots, \Closure $of): array
    {
        return array_map(static fn (Knot $knot): array => [
            'at' => $knot->moment()->format(\DATE_ATOM),
            'check' => $knot->check(),
            'end' => $knot->isAsLeft() ? 'as left' : 'as found',
            'assumed' => $knot->isAssumed(),
            'figure' => $sheet->enter($of($knot)),
        ], $knots);
    }
}
