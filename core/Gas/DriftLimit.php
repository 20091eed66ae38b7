<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/**
 * How far a channel may be off: by a limit in its own unit, by a share of the label, or by whichever of the two is wider
 * where the policy gives both.
 */
final readonly class DriftLimit
{
    /** Oxygen has no share: ten percent of it would be two percent of the air. */
    private function __construct(private ?Limit $own, private ?Limit $share)
    {
    }

    public static function of(Channel $channel, RuleSetting $setting): self
    {
        $name = $channel->kind->limit();

        return new self(
            $name === null ? null : ($setting->limits[$name] ?? null),
            $channel->kind === GasKind::Oxygen ? null : ($setting->limits['share'] ?? null),
        );
    }

    /** @param Exact|float $off in the unit of the channel */
    public function isKeptBy(Exact|float $off, Figure $label): bool
    {
        $size = $off instanceof Exact ? $off->absolute() : abs($off);

        return ($this->own !== null && $this->own->isKeptBy($size))
            || ($this->share !== null && !Real::isZero($label->value) && $this->share->isKeptBy(
                Real::by(Real::times($size, Exact::of(100)), $label->value),
            ))
            || ($this->own === null && $this->share === null);
    }

    /** The most that it may be off, in the unit of the channel. */
    public function most(Figure $label, Channel $channel, string $rule): Figure
    {
        $allowed = static fn (string $symbol, ?Limit $limit, Unit $unit): Figure => Figure::read(
            $symbol,
            'what a zero may drift',
            $limit->value->value ?? Exact::zero(),
            $unit,
            new Origin('policy', $rule, 'of the policy'),
            $limit?->value->decimals() ?? 0,
        );
        $own = $allowed('h', $this->own, $channel->unit);
        if ($this->share === null) {
            return $own;
        }
        $share = Figure::derived(
            'h',
            'what a zero may drift, as a share of the label',
            Real::by(Real::times($label->value, $this->share->value->value), Exact::of(100)),
            $channel->unit,
            GasEquation::HiddenZero,
            ['c_span' => $label, 'p' => $allowed('p', $this->share, CommonUnit::Percent)],
            2,
        );

        return Real::compare($share->value, $own->value) > 0 ? $share : $own;
    }

    /** The limit that is named when it is broken. */
    public function named(): ?Limit
    {
        return $this->own ?? $this->share;
    }

    public function words(): string
    {
        return implode(
            ' or ',
            array_map(static fn (Limit $limit): string => $limit->words(), array_values(array_filter([$this->own, $this->share]))),
        );
    }
}
