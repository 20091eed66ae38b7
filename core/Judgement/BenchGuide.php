<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Source\Feed;

/** What a family tells the bench while a check is being walked, so that no family needs a screen of its own. */
interface BenchGuide
{
    /**
     * The references that can serve, with what speaks against each on that day.
     *
     * @param list<Reference> $references everything in the kit
     *
     * @return list<ReferenceChoice>
     */
    public function choices(Instrument $unit, array $references, \DateTimeImmutable $on): array;

    /**
     * What is written down once at a step, which may depend on the reference that was chosen.
     *
     * @return list<Entry>
     */
    public function fields(Step $step, Instrument $unit, ?Reference $reference): array;

    /**
     * What one row of readings holds at a step, the reading itself first. A step whose rows must be of something that the
     * chosen reference does not have is not asked.
     *
     * @param string $setting that was chosen with the reference: a level, a throat
     *
     * @return list<Entry>
     */
    public function columns(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array;

    /**
     * The rows that a step of readings begins with; none: empty ones.
     *
     * @return list<array<string, string>>
     */
    public function presets(Step $step, Instrument $unit, ?Reference $reference = null, string $setting = ''): array;

    /**
     * Where the readings of a source go at a step; none where it takes none.
     *
     * @param string $setting that was chosen with the reference
     *
     * @return list<Feed>
     */
    public function feeds(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array;

    /** What the check shows so far. */
    public function live(Check $check, Timeline $timeline, Policy $policy): LiveSheet;

    public function history(Timeline $timeline, \DateTimeImmutable $until): UnitHistory;

    /** What the last check up to a moment says in that history; null where it shows nothing. */
    public function lastPoint(Timeline $timeline, \DateTimeImmutable $until): ?HistoryPoint;

    /** How far off a unit may be found before something is done, in the unit of its history; null: nothing is said. */
    public function actionLimit(Policy $policy): ?Limit;

    /** When drifts of several units on one reference are one shift: how near they must lie, and how large it must be. */
    public function sharedShift(): ShiftScale;
}
