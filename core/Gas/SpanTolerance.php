<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;

/**
 * How far off its label a channel may be left, and how far off clean air: the smaller of its own value and a share of the
 * label, but not less than one step of its display or what the label itself is uncertain by.
 */
final readonly class SpanTolerance
{
    public const RULE = 'gas.read-back';

    /** @param string $words what makes it up */
    private function __construct(public Exact $value, public string $words)
    {
    }

    /** Null where the policy sets none. */
    public static function of(Channel $channel, Figure $label, ?Exact $labelUncertainty, Policy $policy): ?self
    {
        [$name, $isShare] = match ($channel->kind) {
            GasKind::Oxygen => ['oxygen', false],
            GasKind::Flammable => ['flammable', false],
            GasKind::CarbonMonoxide, GasKind::HydrogenSulphide, GasKind::Other => ['toxic', false],
            GasKind::Photoionisation => ['photoionisation', true],
            GasKind::CarbonDioxide => ['other', true],
        };
        $own = $policy->limit(self::RULE, $name);
        $cap = $policy->limit(self::RULE, 'cap');
        if ($own === null || !$label->value instanceof Exact) {
            return null;
        }
        $share = static fn (Exact $percent): Exact => $label->value->absolute()->times($percent)->dividedBy(100);
        $least = $isShare ? $share($own->value->value) : $own->value->value;
        if ($cap !== null && $share($cap->value->value)->compareTo($least) < 0) {
            $least = $share($cap->value->value);
        }
        foreach ([$channel->display->resolution?->value, $labelUncertainty] as $floor) {
            $least = $floor !== null && $floor->compareTo($least) > 0 ? $floor : $least;
        }

        return new self($least, \sprintf('%s %s', Digits::trimmed($least, 3), $label->unit->value));
    }

    /** @param int $times as often beyond it */
    public function isKeptBy(Exact $off, int $times = 1): bool
    {
        return $off->absolute()->compareTo($this->value->times($times)) <= 0;
    }
}
