<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What the checks of a unit, or of a channel of it, come to up to one of them: nobody adds up its past again. */
final readonly class Tally
{
    /**
     * @param string|null                    $leftBy      the check whose state as left the unit was last in; null: nobody knows it
     * @param LargestDrift|null              $largest     the largest drift either way
     * @param array<int|string, MetReference> $met        what its checks met, by the name it is known by
     * @param string|null                    $curve       the last usable check that drew a curve
     */
    public function __construct(
        public ?string $leftBy = null,
        public ?LargestDrift $largest = null,
        public AdjustmentSum $adjustments = new AdjustmentSum(),
        public array $met = [],
        public ?string $curve = null,
    ) {
    }

    /** @param array<int|string, MetReference> $met all that was met, by the name it is known by */
    public function meeting(array $met): self
    {
        return new self($this->leftBy, $this->largest, $this->adjustments, $met, $this->curve);
    }

    public function drawnBy(string $check): self
    {
        return new self($this->leftBy, $this->largest, $this->adjustments, $this->met, $check);
    }

    /** @return array<string, mixed> plain, for whoever keeps it */
    public function toArray(): array
    {
        return array_filter([
            'leftBy' => $this->leftBy,
            'largest' => $this->largest === null ? null : get_object_vars($this->largest),
            'adjustments' => $this->adjustments->count === 0 ? null : get_object_vars($this->adjustments),
            'met' => array_map(static fn (MetReference $one): array => [$one->reference, $one->value], $this->met),
            'curve' => $this->curve,
        ], static fn (mixed $value): bool => $value !== null && $value !== []);
    }

    /** @param array<string, mixed> $kept as it was made plain */
    public static function fromArray(array $kept): self
    {
        $largest = \is_array($kept['largest'] ?? null) ? $kept['largest'] : null;
        $sum = \is_array($kept['adjustments'] ?? null) ? $kept['adjustments'] : [];
        $met = [];
        foreach (\is_array($kept['met'] ?? null) ? $kept['met'] : [] as $name => $one) {
            if (\is_array($one)) {
                $met[$name] = new MetReference(self::text($one[0] ?? null), self::number($one[1] ?? null));
            }
        }

        return new self(
            isset($kept['leftBy']) ? self::text($kept['leftBy']) : null,
            $largest === null ? null : new LargestDrift(
                self::text($largest['check'] ?? null),
                self::text($largest['since'] ?? null),
                self::number($largest['size'] ?? null),
            ),
            $sum === [] ? new AdjustmentSum() : new AdjustmentSum(
                (int) self::number($sum['count'] ?? null),
                self::number($sum['sum'] ?? null),
                self::text($sum['check'] ?? null),
                self::number($sum['last'] ?? null),
                self::text($sum['before'] ?? null),
            ),
            $met,
            isset($kept['curve']) ? self::text($kept['curve']) : null,
        );
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    private static function number(mixed $value): float
    {
        return \is_int($value) || \is_float($value) ? (float) $value : 0.0;
    }
}
