<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\ReferenceKind;

/** A lot of latex spheres: a certified diameter, and how much polymer a millilitre of its suspension holds. */
final readonly class Spheres
{
    public const KIND = 'sphere-lot';

    /** g/cm³ of polystyrene (published: handbook value). */
    public const DENSITY = '1.05';

    public function __construct(public Reference $reference)
    {
    }

    public static function kind(): ReferenceKind
    {
        return new ReferenceKind(
            self::KIND,
            'Lot of latex spheres',
            [Entry::text('lot', 'Lot')],
            constants: [
                Entry::decimal('diameter', 'Certified diameter', '0.01', '1000', CommonUnit::Micrometre, true),
                Entry::decimal('diameterUncertainty', 'Uncertainty ±', '0', '100', CommonUnit::Micrometre),
                Entry::decimal('solids', 'Solids', '0.000001', '20', CommonUnit::Percent, help: 'Grams of polymer in 100 mL'),
                Entry::decimal('density', 'Density of the polymer', '0.5', '3', CountUnit::GramPerCubicCentimetre, help: 'Empty: 1.05'),
            ],
        );
    }

    public function diameter(\DateTimeImmutable $on): ?Decimal
    {
        return $this->reference->certificateAt($on)?->constants->decimal('diameter');
    }

    /** P-2: spheres in a millilitre of the suspension; null where solids or diameter are not certified. */
    public function perMillilitre(\DateTimeImmutable $on): ?Figure
    {
        $certificate = $this->reference->certificateAt($on);
        $diameter = $this->diameter($on);
        $solids = $certificate?->constants->decimal('solids');
        if ($certificate === null || $diameter === null || $solids === null) {
            return null;
        }
        $density = $certificate->constants->decimal('density') ?? Decimal::parse(self::DENSITY);
        $origin = new Origin(
            'certificate',
            $certificate->number,
            \sprintf('%s of %s, %s', $certificate->number, $certificate->issued->format('j M Y'), $certificate->laboratory),
        );
        $read = static fn (string $symbol, string $meaning, Decimal $value, Unit $unit): Figure => Figure::read(
            $symbol,
            $meaning,
            $value->value,
            $unit,
            $origin,
            $value->decimals(),
        );

        return Figure::derived(
            'N',
            'spheres in the suspension',
            6 * $solids->value->toFloat() / 100 * 1e12 / ($density->value->toFloat() * \M_PI * $diameter->value->toFloat() ** 3),
            CountUnit::PerCubicCentimetre,
            ParticleEquation::Suspension,
            [
                'w' => $read('w', 'solids, g in 100 mL', $solids, CommonUnit::Percent),
                'ρ' => $read('ρ', 'density', $density, CountUnit::GramPerCubicCentimetre),
                'd' => $read('d', 'diameter', $diameter, CommonUnit::Micrometre),
            ],
            0,
        );
    }

    /** P-3: what is expected of a spike in a jug of water; null where the suspension is not known. */
    public function diluted(Measured $spike, Measured $jug, \DateTimeImmutable $on): ?Figure
    {
        $suspension = $this->perMillilitre($on);
        if ($suspension === null || $jug->value->value->isZero()) {
            return null;
        }
        $origin = new Origin('check', $this->reference->id, 'as mixed');
        $volume = static fn (string $symbol, string $meaning, Measured $one): Figure => Figure::measured(
            $symbol,
            $meaning,
            $one,
            CommonUnit::Millilitre,
            $origin,
            $one->value->decimals(),
        );

        return Figure::derived(
            'N_exp',
            'expected after dilution',
            $suspension->toFloat() * $spike->in(CommonUnit::Millilitre)->toFloat() / $jug->in(CommonUnit::Millilitre)->toFloat(),
            CountUnit::PerCubicCentimetre,
            ParticleEquation::Diluted,
            ['N' => $suspension, 'v' => $volume('v', 'spike', $spike), 'V' => $volume('V', 'water in the jug', $jug)],
            1,
        );
    }

    /** P-3 read backwards: how much suspension a wanted count takes; null where the suspension is not known. */
    public function spikeFor(Decimal $wanted, Measured $jug, \DateTimeImmutable $on): ?Figure
    {
        $suspension = $this->perMillilitre($on);
        if ($suspension === null || $suspension->toFloat() <= 0.0) {
            return null;
        }
        $origin = new Origin('check', $this->reference->id, 'as wanted');

        return Figure::derived(
            'v',
            'suspension to put in',
            $wanted->value->toFloat() * $jug->in(CommonUnit::Millilitre)->toFloat() / $suspension->toFloat(),
            CommonUnit::Millilitre,
            ParticleEquation::Spike,
            [
                'N_wanted' => Figure::read(
                    'N',
                    'count that is wanted',
                    $wanted->value,
                    CountUnit::PerCubicCentimetre,
                    $origin,
                    $wanted->decimals(),
                ),
                'V' => Figure::measured(
                    'V',
                    'water in the jug',
                    $jug,
                    CommonUnit::Millilitre,
                    $origin,
                    $jug->value->decimals(),
                ),
                'N' => $suspension,
            ],
            4,
        );
    }
}
