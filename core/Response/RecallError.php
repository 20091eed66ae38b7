<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;

/** The error of a recalled reference as a figure, to be taken out of what was read against it. */
final class RecallError
{
    /** Null where nothing is to be taken out. */
    public static function of(?Reference $reference, \DateTimeImmutable $at): ?Figure
    {
        $recall = $reference?->recalledAt($at);
        $error = $reference?->errorAt($at);

        if ($recall?->unit === null || $recall->error === null || $error === null) {
            return null;
        }
        $origin = new Origin('recall', $reference->id, 'recalled: '.$recall->reason);
        $told = Figure::read(
            'e',
            \sprintf('true value of %s less the certified one', $reference->id),
            $recall->error->value,
            $recall->unit,
            $origin,
            max(1, $recall->error->decimals()),
        );
        if ($recall->until === null || $error->compareTo($recall->error->value) === 0) {
            return $told;
        }
        $after = static fn (\DateTimeImmutable $moment, string $meaning): Figure => Figure::read(
            't',
            $meaning.', from the beginning of its recall',
            Exact::of((int) round(Span::secondsBetween($recall->since, $moment)))->dividedBy(60),
            CommonUnit::Minute,
            $origin,
            0,
        );

        return Figure::derived(
            'e',
            \sprintf('error of %s, grown evenly', $reference->id),
            $error,
            $recall->unit,
            SharedEquation::GrownError,
            [
                'e_found' => $told,
                't' => $after($at, 'the check at '.$at->format('j M Y H:i')),
                'T' => $after($recall->until, 'where it was found'),
            ],
            max(1, $recall->error->decimals()),
        );
    }

    /** One and its share: what a value is multiplied by, where the error is in percent. */
    public static function factor(Figure $percent): Exact
    {
        $share = $percent->value instanceof Exact ? $percent->value : throw new \LogicException('An error is a decimal as written.');

        return Exact::of(1)->plus($share->dividedBy(100));
    }
}
