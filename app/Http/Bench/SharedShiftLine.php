<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Judgement\ShiftScale;

/** What several units on one reference moved by alike, as bench and round show it. */
final class SharedShiftLine
{
    /**
     * @param array<int|string, float> $drifts by unit
     * @param string                   $when   such as "2026-03-02 morning"
     *
     * @return array<string, mixed>|null null where nothing is shared
     */
    public static function of(array $drifts, ShiftScale $scale, string $reference, string $when): ?array
    {
        $shift = CommonShift::of($drifts, $scale->near, $scale->least);

        return $shift === null ? null : [
            'unit' => $scale->unit->value,
            'reference' => $reference,
            'when' => $when,
            'shared' => $shift->shared,
            'units' => $shift->moved,
            'own' => array_map(
                static fn (int|string $unit, float $own): array => ['unit' => (string) $unit, 'own' => $own],
                array_keys($shift->own),
                array_values($shift->own),
            ),
        ];
    }
}
