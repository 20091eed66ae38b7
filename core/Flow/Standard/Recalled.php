<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\RecallError;

/** A flow standard that was found wrong, its known error taken out of every flow it told. */
final readonly class Recalled implements FlowStandard
{
    /** @param Figure $error true flow less the one it told, percent of that */
    public function __construct(public FlowStandard $inner, private Figure $error)
    {
    }

    public function columns(): array
    {
        return $this->inner->columns();
    }

    public function flow(FlowRow $row, Air $air, Origin $origin): Figure
    {
        return $this->right($this->inner->flow($row, $air, $origin));
    }

    public function basis(): string
    {
        return $this->inner->basis();
    }

    /** What it told, set right. */
    public function right(Figure $told): Figure
    {
        return Figure::derived(
            $told->symbol,
            $told->meaning.', the error of its standard taken out',
            Real::times($told->value, RecallError::factor($this->error)),
            $told->unit,
            SharedEquation::RecalledFlow,
            ['Q_told' => $told, 'e' => $this->error],
            $told->decimals,
        );
    }
}
