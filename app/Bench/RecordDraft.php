<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\User;
use Footnote\App\Files\SaysPhotographed;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\Practice;
use Psr\Clock\ClockInterface;

/** Turns the answers of a half-done check into a check on record, within the change that accepts it. */
final readonly class RecordDraft
{
    public function __construct(
        private KeepCheck $keep,
        private Logbook $logbook,
        private Drafts $drafts,
        private Touches $touches,
        private Formats $families,
        private Numbers $numbers,
        private KeptFiles $files,
        private ModelSheets $sheets,
        private SiteClock $site,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, mixed> what the journal tells of it */
    public function told(Draft $draft): array
    {
        return [
            'draft' => $draft->id,
            'instrument' => $draft->instrument,
            'answers' => $draft->answers(),
            ...array_filter(['typedBy' => Typists::told($draft->typed())]),
        ];
    }

    /**
     * The record of the check but for its number, written before the lock is taken.
     *
     * @param array<string, mixed> $more that stands in it beside the answers
     *
     * @return array{Instrument, array<string, mixed>}
     */
    public function written(User $by, Draft $draft, array $more = []): array
    {
        $unit = $this->logbook->timeline($draft->instrument)->instrument;

        return [$unit, [
            ...DraftCheck::record('', $unit, $by->code, $draft->answers(), $this->clock->now(), $this->families),
            ...array_filter(['typedBy' => Typists::told($draft->typed())]),
            ...($draft->round() === null ? [] : ['round' => $this->drafts->round($draft->round())->units]),
            ...array_intersect_key($draft->answers(), [BroughtBy::ANSWER => true]),
            ...array_filter([TakenFields::ANSWER => TakenFields::standing($draft->answers())]),
            ...array_filter(['files' => $this->files->numbersOf(FileOf::Draft, $draft->id)]),
            ...$this->sheets->walked($draft, $unit)->record($draft->answers()),
            ...$more,
        ]];
    }

    /**
     * Within the change that accepts it: its number is given.
     *
     * @param array<string, mixed> $record
     *
     * @return string the check's number
     */
    public function keep(User $by, Draft $draft, Instrument $unit, array $record): string
    {
        $record = [...$record, 'id' => $this->numbers->next('check_record', 'C-%05d')];
        $check = $this->read($record, $unit);
        $this->site->refuseFuture($check->at, '/at');
        $this->saysWhy($check);
        $this->showsPhotos($record, $draft);
        $lines = new ShowsLines($this->files, $this->files->numbersOf(FileOf::Draft, $draft->id));
        $lines->refuse($record, $this->families->of($unit->family)->section());
        if (!$check->walk->brokenOff && !$check->content->hasAsFound() && !$check->content->wasAdjusted()) {
            throw new Problem(
                422,
                'The check was not accepted; all answers are kept. There is no reading as found.',
                [['field' => '/'.$this->families->of($unit->family)->section(), 'problem' => 'holds no reading as found.']],
            );
        }
        $this->keep->keep($check, $record, $by);
        $draft->close($this->clock->now(), $check->id);
        $this->touches->unit($draft->instrument, $check->at);

        return $check->id;
    }

    /** @param array<string, mixed> $record */
    private function read(array $record, Instrument $unit): Check
    {
        try {
            Practice::refuse($record, '', $unit);

            return $this->keep->read($record, $unit->family);
        } catch (InvalidRecord $problem) {
            throw new Problem(
                422,
                'The check was not accepted; all answers are kept. '.$problem->getMessage(),
                $problem->fields(),
            );
        }
    }

    /** A step that does not apply weighs nothing, so it says why. */
    private function saysWhy(Check $check): void
    {
        foreach ($check->walk->steps as $step => $state) {
            if ($state === StepState::NotApplicable && !isset($check->walk->reasons[$step])) {
                throw Problem::field('/stepReasons/'.$step, 'says why the step does not apply; all answers are kept.');
            }
        }
    }

    /**
     * Where a display is said to have been photographed, the photo is there.
     *
     * @param array<string, mixed> $record
     */
    private function showsPhotos(array $record, Draft $draft): void
    {
        $place = SaysPhotographed::at($record);
        if ($place !== null && !$this->files->hasPicture(FileOf::Draft, $draft->id)) {
            throw Problem::field(
                $place,
                'says that the display was photographed: add the photo, or say how it was read; all answers are kept.',
            );
        }
    }
}
