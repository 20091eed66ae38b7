<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Statistics\AtRest;

/** G-9: how far readings may move within twenty seconds and still stand: the larger of a share of the span and one step of the display. */
final readonly class Steadiness
{
    /** Over which a reading must stand still, s. */
    public const SECONDS = 20;
    /** Readings over so much of the window are as good as over all of it: their drift is told over what they span. */
    private const NEARLY = 18;
    /** A straight line through few readings tells one step of the display as a little more than one. */
    private const ONE_STEP = '1.05';

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

    /** Within so many percent of the readings themselves. */
    public static function withinPercent(string $share): self
    {
        return new self(null, Exact::of($share));
    }

    /** @param non-empty-list<array{Exact, Decimal}> $readings s and as written, in the order of time, not all at one moment */
    public function judge(array $readings): AtRest
    {
        $written = array_column($readings, 1);
        $span = $readings[\count($readings) - 1][0]->minus($readings[0][0])->toFloat();
        $allowed = $this->allowed($written);
        $oneStep = $this->step($written)->times(Exact::of(self::ONE_STEP));

        return AtRest::of(
            array_map(static fn (array $one): array => [$one[0], $one[1]->value], $readings),
            $span >= self::NEARLY ? $span : self::SECONDS,
            $allowed,
            $oneStep->compareTo($allowed) > 0 ? $oneStep : $allowed,
        );
    }

    /** @param non-empty-list<Decimal> $readings as they are written */
    public function allowed(array $readings): Exact
    {
        $span = $this->span ?? Exact::mean(array_map(static fn (Decimal $one): Exact => $one->value, $readings));
        $allowed = $span->absolute()->times($this->share)->dividedBy(100);
        $step = $this->step($readings);

        return $step->compareTo($allowed) > 0 ? $step : $allowed;
    }

    /** @param non-empty-list<Decimal> $readings */
    private function step(array $readings): Exact
    {
        return $this->step ?? Exact::of(1)->dividedBy(10 ** max(array_map(
            static fn (Decimal $one): int => $one->decimals(),
            $readings,
        )));
    }
}
