<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Planning\Able;
use Footnote\Core\Planning\DemandsOfUnits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;

/** What may be demanded of a counter or a dust monitor: of what kind it is, and from which size on it tells particles apart. */
final readonly class ParticleDemands implements DemandsOfUnits
{
    public function entries(): array
    {
        return [
            Entry::choice('kind', 'Kind', ParticleUnit::kinds()),
            Entry::decimal('size', 'Tells apart particles from', '0.01', '1000', CommonUnit::Micrometre),
        ];
    }

    public function able(Instrument $unit, Traits $demanded): Able
    {
        $kind = $unit->traits->text('kind');
        $wanted = $demanded->text('kind');
        $able = $wanted === null || $wanted === $kind
            ? new Able()
            : Able::lacking(\sprintf('It is no %s.', ParticleUnit::kinds()[$wanted]));
        $size = $demanded->decimal('size');
        if ($size === null) {
            return $able;
        }
        $sizes = ParticleUnit::sizes($unit);
        $same = array_filter($sizes, static fn (string $one): bool => Decimal::parse($one)->value->compareTo($size->value) === 0);

        return $same !== [] ? $able : $able->and(Able::lacking($sizes === []
            ? \sprintf('It tells no sizes apart, and particles from %s µm are wanted.', $size->written)
            : \sprintf('It tells particles apart from %s µm, and not from %s.', implode(', ', $sizes), $size->written)));
    }
}
