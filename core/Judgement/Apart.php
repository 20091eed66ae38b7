<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Timeline;

/** A unit taken apart into its channels. */
final class Apart
{
    /** @return non-empty-list<array{string, Timeline}> each channel with what is its own; a unit without any as a whole, its name empty */
    public static function of(Family $family, Timeline $timeline): array
    {
        if (!$family instanceof Channelled) {
            return [['', $timeline]];
        }
        $apart = array_map(
            static fn (string $channel): array => [$channel, $family->ofChannel($channel, $timeline)],
            $family->channels($timeline),
        );

        return $apart === [] ? [['', $timeline]] : $apart;
    }
}
