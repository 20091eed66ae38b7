<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Bench\DraftCheck;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Row\CheckRound;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Formats;
use Footnote\Core\Sheet\Walked;

/** A row of units on one reference: who is left, and what they share, before anybody adjusts one. */
final readonly class RoundPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Drafts $drafts,
        private Assessor $assessor,
        private EvidenceReader $reader,
        private Formats $families,
        private SiteClock $site,
        private ModelSheets $sheets,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(CheckRound $round): array
    {
        $drafts = $this->drafts->ofRound($round);
        $units = [];
        $drifts = [];
        $family = null;
        $title = '';
        $kit = $this->logbook->references();
        $reference = '';
        foreach ($round->units as $id) {
            $draft = $drafts['='.$id] ?? null;
            $timeline = $this->logbook->timeline($id);
            $unit = $timeline->instrument;
            $family = $this->assessor->family($unit->family);
            $walked = $draft === null ? null : $this->sheets->walked($draft, $unit);
            $procedure = $walked->procedure ?? Procedure::among($family->procedures($unit), $round->procedure);
            $title = $procedure->title;
            $answers = $draft?->answers() ?? [];
            $reference = $reference === '' ? Cells::text($answers, 'reference') : $reference;
            $chosen = $kit[Cells::text($answers, 'reference')] ?? null;
            $until = $procedure->untilAdjusted();
            $asked = new AskedSteps($family->bench(), $unit, $chosen, Cells::text($answers, 'setting'), $this->site->now());
            $point = $draft === null || $walked === null ? null : $this->point($draft, $family, $timeline, $walked);
            if ($point?->drift !== null) {
                $drifts[$id] = $point->drift;
            }
            $units[] = [
                'id' => $id,
                'model' => $unit->model,
                // Units of one family may be walked in other steps: each has its own.
                'untilAdjusted' => array_map(static fn (Step $step): string => $step->id, $until),
                'draft' => $draft === null || $draft->isClosed() ? null : $draft->id,
                'version' => $draft?->version() ?? 0,
                'check' => $draft?->check(),
                'isRead' => $draft !== null && self::isDone($asked->among($until), $answers),
                'isSettled' => $draft !== null && self::isDone($asked->among($procedure->steps), $answers),
                'adjusted' => self::adjusted($procedure, $answers),
                'skipped' => self::skipped($procedure, $answers),
                'drift' => $point?->drift,
            ];
        }
        $scale = $family?->bench()->sharedShift();
        $when = SiteClock::halfDay($round->startedAt->setTimezone($this->site->zone()));

        return [
            'id' => $round->id,
            'startedBy' => $round->by,
            'startedAt' => $round->startedAt->format(\DATE_ATOM),
            'title' => $title,
            'unit' => $scale->unit->value ?? '',
            'units' => $units,
            'reference' => $reference === '' ? null : $reference,
            'shift' => $scale === null ? null : SharedShiftLine::of($drifts, $scale, $reference, $when),
        ];
    }

    /** What the unit shows by its half-done check, or by what that became; null where that cannot be said yet. */
    private function point(Draft $draft, Family $family, Timeline $timeline, Walked $walked): ?HistoryPoint
    {
        $unit = $timeline->instrument;
        $id = $draft->check();
        if ($id === null) {
            $half = [
                ...DraftCheck::record('draft', $unit, $draft->by, $draft->answers(), $this->site->now(), $this->families),
                ...$walked->record($draft->answers()),
            ];
            [$check] = DraftCheck::read($half, $this->families->of($unit->family), $this->reader);
            if ($draft->isClosed() || $check === null) {
                return null;
            }
            $timeline = $timeline->with($check);
            $id = $check->id;
        }
        $point = $family->bench()->lastPoint($timeline, $this->site->now());

        return $point?->check === $id ? $point : null;
    }

    /**
     * @param list<Step>           $steps
     * @param array<string, mixed> $answers
     */
    private static function isDone(array $steps, array $answers): bool
    {
        $done = \is_array($answers['steps'] ?? null) ? $answers['steps'] : [];
        foreach ($steps as $step) {
            $asked = ($step->required || $step->kind === StepKind::Adjust)
                && ($step->onlyAfter === null || ($answers[$step->onlyAfter] ?? null) === true);
            if ($asked && Cells::text($done, $step->id) === '') {
                return false;
            }
        }

        return true;
    }

    /** @param array<string, mixed> $answers */
    private static function adjusted(Procedure $procedure, array $answers): ?bool
    {
        foreach ($procedure->steps as $step) {
            if ($step->kind === StepKind::Adjust) {
                $said = $answers[$step->readings->name ?? 'adjusted'] ?? null;

                return \is_bool($said) ? $said : null;
            }
        }

        return null;
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return list<string> what was left out, by its title: each is a finding
     */
    private static function skipped(Procedure $procedure, array $answers): array
    {
        $done = \is_array($answers['steps'] ?? null) ? $answers['steps'] : [];

        return array_values(array_map(
            static fn (Step $step): string => $step->words->title,
            array_filter($procedure->steps, static fn (Step $step): bool => ($done[$step->id] ?? null) === StepState::Skipped->value),
        ));
    }
}
