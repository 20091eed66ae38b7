<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;

/** The drift interval of a result as a bar, the reported value as a ring, the limit as a line across. */
final readonly class IntervalPicture
{
    /**
     * @param array<string, mixed> $result as an assessment writes it
     * @param array<string, mixed> $limit
     *
     * @return string|null the element; null where there is no number to place
     */
    public static function of(array $result, array $limit): ?string
    {
        $number = static function (string $name) use ($result): ?float {
            $shown = Cells::text(Cells::map($result, $name), 'shown');

            return is_numeric($shown) ? (float) $shown : null;
        };
        $value = $number('value');
        $at = Cells::text($limit, 'value');
        if ($value === null || !is_numeric($at)) {
            return null;
        }
        $low = $number('lowest') ?? $value;
        $high = $number('highest') ?? $value;
        $from = min($low, $value, (float) $at);
        $span = max(max($high, $value, (float) $at) - $from, 1e-9);
        $x = static fn (float $v): string => Ink::at(14 + 162 * ($v - $from) / $span);
        $words = \sprintf(
            'drift interval %s to %s, reported %s, limit %s',
            Shown::minus(Cells::text(Cells::map($result, 'lowest'), 'shown')),
            Shown::minus(Cells::text(Cells::map($result, 'highest'), 'shown')),
            Shown::minus(Cells::text(Cells::map($result, 'value'), 'shown')),
            $at,
        );

        return Ink::picture(190, 30, $words, \sprintf('<path d="M6 20h178" stroke="%s"/>', Ink::RULE)
            .($number('lowest') === null ? '' : \sprintf(
                '<path d="M%s 20H%s" stroke="%s" stroke-width="5"/>',
                $x($low),
                Ink::at(max((float) $x($high), (float) $x($low) + 2)),
                Ink::TEXT,
            ))
            .\sprintf('<circle cx="%s" cy="20" r="4" fill="#fff" stroke="%s" stroke-width="1.8"/>', $x($value), Ink::TEXT)
            .\sprintf(
                '<path d="M%s 10v18" stroke="%s" stroke-width="1.8" stroke-dasharray="%s"/>',
                $x((float) $at),
                Ink::LIMIT,
                Cells::text($limit, 'comparator') === '>' ? 'none' : '3 2',
            )
            .Ink::text(max(16.0, min(174.0, (float) $x((float) $at))), 8, $at));
    }
}
