<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Quantity\Span;

/** What is taken of one channel at a step: its last reading, or those of its last twenty seconds. */
final readonly class Taken
{
    /** How far from the moment that is wanted a reading may lie, s (own). */
    private const NEAR = 5.0;

    /** @param non-empty-list<Sample> $samples in the order of time */
    private function __construct(public Feed $feed, public array $samples)
    {
    }

    /** Null where the channel cannot be read. */
    public static function from(Stretch $stretch, Feed $feed): ?self
    {
        $samples = array_values(array_filter(
            $stretch->of($feed->channel),
            static fn (Sample $one): bool => $feed->readsIn($one->in),
        ));
        if ($samples === []) {
            return null;
        }
        $last = $samples[\count($samples) - 1];
        $taken = [];
        for ($ago = $feed->readings - 1; $ago > 0; --$ago) {
            // A second within the twenty: stamped in tenths, the first still lies in them.
            $nearest = self::ago($samples, $last, $ago * (Steadiness::SECONDS - 1) / ($feed->readings - 1));
            if ($nearest !== null && $nearest !== $last && !\in_array($nearest, $taken, true)) {
                $taken[] = $nearest;
            }
        }

        return new self($feed, [...$taken, $last]);
    }

    public function last(): Sample
    {
        return $this->samples[\count($this->samples) - 1];
    }

    /**
     * The sample so many seconds before the last, as near as they lie and no further back; null where there is none so old.
     *
     * @param non-empty-list<Sample> $samples in the order of time
     */
    private static function ago(array $samples, Sample $last, float $seconds): ?Sample
    {
        foreach ($samples as $sample) {
            $age = Span::secondsBetween($sample->at, $last->at);
            if ($age <= $seconds) {
                return $age > $seconds - self::NEAR ? $sample : null;
            }
        }

        return null;
    }
}
