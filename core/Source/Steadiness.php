<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** G-9: how far readings may move within twenty seconds and still stand: the larger of a share of the span and one step of the display. */
final readonly class Steadiness
{
    /** Over which a reading must stand still, s. */
    public const SECONDS = 20;

    /**
     * @param Exact|null $span  null: the readings themselves
     * @param Exact      $share of the span, %
     * @param Exact|null $step  of the display; null: as the readings are written
     */
    public function __construct(private ?Exact $span, private Exact $share, private ?Exact $step = null)
    {
    }

    /** Within so much, whatever is read. */
    public static function within(string $much): self
    {
        return new self(null, Exact::zero(), Exact::of($much));
    }

    /** @param non-empty-list<Decimal> $readings as they are written */
    public function allowed(array $readings): Exact
    {
        $span = $this->span ?? Exact::mean(array_map(static fn (Decimal $one): Exact => $one->value, $readings));
        $allowed = $span->absolute()->times($this->share)->dividedBy(100);
        $step = $this->step ?? Exact::of(1)->dividedBy(10 ** max(array_map(
            static fn (Decimal $one): int => $one->decimals(),
            $readings,
        )));

        return $step->compareTo($allowed) > 0 ? $step : $allowed;
    }
}
