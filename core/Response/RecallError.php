<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Quantity\Exact;

/** The error of a recalled reference as a figure, to be taken out of what was read against it. */
final class RecallError
{
    /** Null where nothing is to be taken out. */
    public static function of(?Reference $reference, \DateTimeImmutable $at): ?Figure
    {
        $recall = $reference?->recalledAt($at);
        $error = $reference?->errorAt($at);

        return $recall?->unit === null || $error === null ? null : Figure::read(
            'e',
            \sprintf('true value of %s less the certified one', $reference->id),
            $error,
            $recall->unit,
            new Origin('recall', $reference->id, 'recalled: '.$recall->reason),
            max(1, $recall->error?->decimals() ?? 1),
        );
    }

    /** One and its share: what a value is multiplied by, where the error is in percent. */
    public static function factor(Figure $percent): Exact
    {
        $share = $percent->value instanceof Exact ? $percent->value : throw new \LogicException('An error is a decimal as written.');

        return Exact::of(1)->plus($share->dividedBy(100));
    }
}
