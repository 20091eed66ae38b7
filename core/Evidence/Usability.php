<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A family's word on whether a check shows how the instrument responds. */
interface Usability
{
    /** @return list<string> why it does not; empty where it does */
    public function whyUnusable(Check $check, Timeline $timeline): array;

    /** Whether a check that shows nothing of the response was never meant to: it asked only whether the instrument works. */
    public function asksOnlyWhetherItWorks(Check $check): bool;

    /**
     * Evidence against the unit itself, which is never passed over for a better reading later: a sensor that did not answer,
     * a pump that gave no flow.
     *
     * @param bool $asLeft whether the state it was left in counts, and not the one it was found in
     *
     * @return string|null in words; null where it is no such evidence
     */
    public function whyFailed(Check $check, Timeline $timeline, bool $asLeft): ?string;
}
