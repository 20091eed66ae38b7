<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** The criteria and limits that come with Footnote, as examples with their sources. */
final class ShippedYardsticks
{
    /**
     * Those a new campaign begins with: all but limits that hold behind hearing protection, since a dosimeter at the
     * shoulder cannot be set against them without a qualification.
     *
     * @param array<string, mixed> $shipped the data of shipped-criteria.json
     *
     * @return array<string, mixed>
     */
    public static function usual(array $shipped): array
    {
        $limits = \is_array($shipped['limits'] ?? null) ? $shipped['limits'] : [];

        return [...$shipped, 'limits' => array_values(array_filter($limits, static fn (mixed $limit): bool => !\is_array($limit) || ($limit['scope'] ?? '') !== 'behind hearing protection'))];
    }
}
