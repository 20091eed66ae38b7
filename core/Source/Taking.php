<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Quantity\Span;

/** What is taken from a stretch at a step: the last reading of each channel, or those of its last twenty seconds. */
final class Taking
{
    /** How far from the moment that is wanted a reading may lie, s (own). */
    private const NEAR = 5.0;

    /**
     * @return list<Sample> in the order of time; none where the channel cannot be read
     */
    public static function from(Stretch $stretch, Feed $feed): array
    {
        $samples = array_values(array_filter(
            $stretch->of($feed->channel),
            static fn (Sample $one): bool => $feed->readsIn($one->in),
        ));
        if ($samples === []) {
            return [];
        }
        $last = $samples[\count($samples) - 1];
        $taken = [];
        for ($ago = $feed->readings - 1; $ago >= 0; --$ago) {
            // A second within the twenty: stamped in tenths, the first still lies in them.
            $nearest = self::ago($samples, $last, $ago === 0 ? 0.0 : $ago * (Steadiness::SECONDS - 1) / ($feed->readings - 1));
            if ($nearest !== null && !\in_array($nearest, $taken, true)) {
                $taken[] = $nearest;
            }
        }

        return $taken;
    }

    /**
     * The sample so many seconds before the last, as near as they lie and no further back; null where there is none so old.
     *
     * @param non-empty-list<Sample> $samples in the order of time
     */
    private static function ago(array $samples, Sample $last, float $seconds): ?Sample
    {
        if ($seconds <= 0) {
            return $last;
        }
        foreach ($samples as $sample) {
            $age = Span::secondsBetween($sample->at, $last->at);
            if ($age <= $seconds) {
                return $age > $seconds - self::NEAR ? $sample : null;
            }
        }

        return null;
    }
}
