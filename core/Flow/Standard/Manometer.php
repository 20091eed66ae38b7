<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** F-11: a U-tube. Both legs are read from the scale's zero, or one leg from where it rested; oil is told as water. */
final readonly class Manometer
{
    /**
     * @param Decimal|null $restLeft  where the legs rested before there was flow
     * @param Decimal|null $gravity   specific gravity of the fluid; null: water, 1
     */
    public function __construct(private ?Decimal $restLeft, private ?Decimal $restRight, private ?Decimal $gravity)
    {
    }

    /**
     * The pressure in inches of water.
     *
     * @throws UnreadableFlow
     */
    public function inchesOfWater(FlowRow $row, Origin $origin): Figure
    {
        $leg = static fn (string $symbol, string $meaning, Decimal $value): Figure => Figure::read(
            $symbol,
            $meaning,
            $value->value,
            CommonUnit::InchWater,
            $origin,
            $value->decimals(),
        );
        if ($row->legs->left !== null && $row->legs->right !== null) {
            $equation = StandardEquation::ManometerWithoutRest;
            $inputs = ['h₁' => $leg('h₁', 'one leg', $row->legs->left), 'h₂' => $leg('h₂', 'other leg', $row->legs->right)];
            $height = $row->legs->left->value->minus($row->legs->right->value);
            if ($this->restLeft !== null && $this->restRight !== null) {
                $inputs = [
                    ...$inputs,
                    'h₁₀' => $leg('h₁₀', 'one leg at rest', $this->restLeft),
                    'h₂₀' => $leg('h₂₀', 'other leg at rest', $this->restRight),
                ];
                $equation = StandardEquation::Manometer;
                $height = $height->minus($this->restLeft->value->minus($this->restRight->value));
            }
            // Which leg rises depends on which side the orifice is tapped.
            $height = $height->absolute();
        } elseif ($row->legs->left !== null || $row->legs->right !== null) {
            $read = $row->legs->left ?? $row->legs->right;
            $rest = $row->legs->left !== null ? $this->restLeft : $this->restRight;
            if ($rest === null) {
                throw new UnreadableFlow('one leg alone says nothing without its reading at rest');
            }
            $equation = StandardEquation::OneLeg;
            $inputs = ['h' => $leg('h', 'one leg', $read), 'h₀' => $leg('h₀', 'the same leg at rest', $rest)];
            $height = $read->value->minus($rest->value)->times(2)->absolute();
        } else {
            throw new UnreadableFlow('neither leg of the manometer is written down');
        }
        $gravity = $this->gravity->value ?? Exact::of(1);
        $inputs['s'] = $this->gravity === null
            ? Figure::read(
                's',
                'specific gravity of water',
                $gravity,
                CommonUnit::None,
                new Origin('constant', 'water', 'no other fluid is named'),
                0,
            )
            : Figure::read('s', 'specific gravity of the fluid', $gravity, CommonUnit::None, $origin, $this->gravity->decimals());
        if ($height->isZero()) {
            throw new UnreadableFlow('the manometer shows no flow');
        }

        return Figure::derived(
            'ΔH',
            'pressure across the orifice',
            $height->times($gravity),
            CommonUnit::InchWater,
            $equation,
            $inputs,
            2,
        );
    }
}
