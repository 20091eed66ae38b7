<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** A limit for people's exposure: it has a quantity, a value, a comparator, a scope and a source. */
final readonly class ExposureLimit
{
    /**
     * @param string $quantity which result it is set against, such as "dose:pel" or "lex8h"
     * @param string $mixture limits of one mixture are added up: substances that harm alike
     * @param Decimal|null $basis what its unit is a share of, where that must be said: % vol that 100 % LEL is
     * @param string $scope    whom or what it holds for; "behind hearing protection" cannot be judged from a shoulder
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $quantity,
        public Decimal $value,
        public string $unit,
        public ExposureComparator $comparator,
        public string $scope,
        public string $source,
        public SourceMark $mark,
        public string $mixture = '',
        public ?Decimal $basis = null,
    ) {
    }

    /** The same limit told in the basis of what is held against it. */
    public function at(Decimal $value): self
    {
        return new self(
            $this->id,
            $this->title,
            $this->quantity,
            $value,
            $this->unit,
            $this->comparator,
            $this->scope,
            $this->source,
            $this->mark,
            $this->mixture,
            $this->basis,
        );
    }

    public function isCrossedBy(Exact|float $value): bool
    {
        return $this->comparator->holds(
            $value instanceof Exact ? $value->compareTo($this->value->value) : $value <=> $this->value->value->toFloat(),
        );
    }
}
