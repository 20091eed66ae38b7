<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A laboratory certificate of an instrument or a reference. Certificates are added, never overwritten. */
final readonly class Certificate
{
    /**
     * @param list<CertifiedValue> $values    a table by nominal value
     * @param Traits               $constants what it states beside the table, such as slope and intercept
     */
    public function __construct(
        public string $number,
        public string $laboratory,
        public \DateTimeImmutable $issued,
        public \DateTimeImmutable $due,
        public array $values,
        public Traits $constants = new Traits(),
    ) {
    }

    /** Whether it is in date at that moment; the day it falls due still counts. */
    public function inForceAt(\DateTimeImmutable $moment): bool
    {
        return $this->issued <= $moment && $moment < $this->due->modify('+1 day');
    }

    public function at(string $nominal): ?CertifiedValue
    {
        $wanted = \Footnote\Core\Quantity\Decimal::parse($nominal)->value;
        foreach ($this->values as $value) {
            if ($value->nominal->value->compareTo($wanted) === 0) {
                return $value;
            }
        }

        return null;
    }
}
