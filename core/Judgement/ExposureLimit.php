<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** A limit for people's exposure: it has a quantity, a value, a comparator, a scope and a source. */
final readonly class ExposureLimit
{
    /**
     * @param string $quantity which result it is set against, such as "dose:pel" or "lex8h"
     * @param string $scope    whom or what it holds for; "behind hearing protection" cannot be judged from a shoulder
     * @param Source $source   who sets it
     * @param string $mixture  limits of one mixture are added up: substances that harm alike
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $quantity,
        public Threshold $threshold,
        public string $scope,
        public Source $source,
        public string $mixture = '',
    ) {
    }

    /** The same limit told in the basis of what is held against it. */
    public function at(Decimal $value): self
    {
        return new self(
            $this->id,
            $this->title,
            $this->quantity,
            $this->threshold->at($value),
            $this->scope,
            $this->source,
            $this->mixture,
        );
    }

    /** As an input of a derivation, in the unit of what is held against it. */
    public function figure(string $symbol, Unit $unit): Figure
    {
        return Figure::read(
            $symbol,
            $this->title,
            $this->threshold->value->value,
            $unit,
            new Origin('criterion', $this->id, $this->source->words),
            $this->threshold->value->decimals(),
        );
    }

    public function isCrossedBy(Exact|float $value): bool
    {
        return $this->threshold->isCrossedBy($value);
    }
}
