<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/**
 * A family whose units measure several things at once. Each channel has a bracket, a response and findings of its own, so
 * that one bad sensor leaves the others as they are; the family works each of them out as if it were a unit by itself.
 */
interface Channelled
{
    /** @return list<string> the channels of the unit, in its order */
    public function channels(Timeline $timeline): array;

    /** What is known of one channel: the checks that read it as its own checks, and the interventions that touch it. */
    public function ofChannel(string $channel, Timeline $timeline): Timeline;

    /** Whether the run brought home anything of that channel. */
    public function measured(string $channel, Run $run): bool;

    /**
     * What the channels come to side by side.
     *
     * @param non-empty-array<array-key, FamilyResults> $channels
     */
    public function together(array $channels): FamilyResults;

    /**
     * What is put together of several channels, such as a mixture, each with the verdict it stands as.
     *
     * @return list<Result>
     */
    public function combined(Assessment $channels, Yardsticks $yardsticks): array;
}
