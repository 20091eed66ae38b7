<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Families;

/** The criteria and limits that come with Footnote, as examples with their sources, from every family. */
final class ShippedYardsticks
{
    /** @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>} */
    public static function all(): array
    {
        $all = ['criteria' => [], 'limits' => []];
        foreach (Families::formats() as $format) {
            $shipped = $format->shipped();
            $all = ['criteria' => [...$all['criteria'], ...$shipped['criteria']], 'limits' => [...$all['limits'], ...$shipped['limits']]];
        }

        return $all;
    }

    /**
     * Those a new campaign begins with: all but limits that hold behind hearing protection, since a dosimeter at the
     * shoulder cannot be set against them without a qualification, and of reference conditions the first.
     *
     * @return array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>}
     */
    public static function usual(): array
    {
        $shipped = self::all();
        $conditions = 0;

        return [
            'criteria' => array_values(array_filter($shipped['criteria'], static function (array $criterion) use (&$conditions): bool {
                return !isset($criterion['conditions']) || ++$conditions === 1;
            })),
            'limits' => array_values(array_filter($shipped['limits'], static fn (array $limit): bool => ($limit['scope'] ?? '') !== 'behind hearing protection')),
        ];
    }
}
