<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

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
    public function most(Figure $label): Exact|float
    {
        $own = $this->own?->value->value ?? Exact::zero();
        $share = $this->share === null ? Exact::zero() : Real::by(Real::times($label->value, $this->share->value->value), Exact::of(100));

        return Real::compare($share, $own) > 0 ? $share : $own;
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
