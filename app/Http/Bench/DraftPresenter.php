<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Bench\DraftCheck;
use Footnote\App\Bench\StandInSeat;
use Footnote\App\Bench\TakenFields;
use Footnote\App\Bench\Typists;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\RecordedReferences;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Foresight;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\LiveSheet;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Formats;
use Footnote\Core\StandIn\BringsStandIns;
use Footnote\Core\StandIn\Fault;

/**
 * A half-done check with its steps, its answers, and what they come to so far.
 *
 * @phpstan-import-type Line from ReferenceLines
 *
 * @phpstan-type Shown array{
 *     id: string,
 *     unit: array<string, mixed>,
 *     procedure: array{id: string, title: string, steps: list<array<string, mixed>>},
 *     sheets: list<array<string, mixed>>,
 *     references: list<Line>,
 *     live: array<string, mixed>,
 *     ...<string, mixed>,
 * }
 */
final readonly class DraftPresenter
{
    private Foresight $foresight;

    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Judging $judging,
        private Policies $policies,
        private Assessor $assessor,
        private EvidenceReader $reader,
        private Formats $families,
        private SiteClock $site,
        private UnitPresenter $units,
        private KeptFiles $files,
        private ReferenceLines $references,
        private ModelSheets $sheets,
    ) {
        $this->foresight = new Foresight($assessor);
    }

    /** @return Shown */
    public function of(Draft $draft): array
    {
        $timeline = $this->logbook->timeline($draft->instrument);
        $now = $this->site->now();
        $answers = $draft->answers();
        $campaign = $this->campaigns->ofUnit($timeline->instrument->id);
        $policy = $this->policies->get($campaign['policy']);
        $kit = $this->logbook->references();
        $everything = $timeline->knowing(new RecordedReferences($kit));
        $format = $this->families->of($timeline->instrument->family);
        $walked = $this->sheets->walked($draft, $timeline->instrument);
        $half = [
            ...DraftCheck::record('draft', $timeline->instrument, $draft->by, $answers, $now, $this->families),
            ...$walked->record($answers),
        ];
        [$check, $problems] = DraftCheck::read($half, $format, $this->reader);
        $written = $this->families->answered($timeline->instrument->family, $answers);
        $family = $this->assessor->family($timeline->instrument->family);
        $live = $check === null ? new LiveSheet([]) : $family->bench()->live($check, $everything, $policy);
        $chosen = $kit[Cells::text($answers, 'reference')] ?? null;
        $setting = Cells::text($answers, 'setting');
        $bench = $family->bench();
        $asked = new AskedSteps($bench, $timeline->instrument, $chosen, $setting, $now);
        $lines = new StepLines($bench, $timeline->instrument, $chosen, $setting, $walked->sheets, $asked);
        $open = $this->foresight->openRuns($timeline);
        $closes = $check === null || (!$check->content->hasAsFound() && !$check->content->wasAdjusted())
            ? []
            : $this->foresight->after($check, $open, $everything, $policy, $this->judging->yardsticks($campaign['id']));

        return [
            'id' => $draft->id,
            'version' => $draft->version(),
            'startedBy' => $draft->by,
            'round' => $draft->round(),
            'hasPhoto' => $this->files->hasPicture(FileOf::Draft, $draft->id),
            'typedBy' => Typists::told($draft->typed()),
            'standIn' => $this->standIn($draft, $timeline->instrument),
            'startedAt' => $draft->startedAt->format(\DATE_ATOM),
            'unit' => $this->units->shown($timeline, $open, $timeline->runningRuns()),
            'procedure' => [
                'id' => $walked->procedure->id,
                'title' => $walked->procedure->title,
                'steps' => $lines->of($walked->procedure->steps),
            ],
            'sheets' => $lines->sheets(),
            'references' => $this->references->of($timeline->instrument, $kit, $policy, $now, Cells::text($answers, 'reference')),
            'answers' => (object) $answers,
            'taken' => array_map(static fn (array $row): array => [
                'field' => $row['field'],
                'how' => $row['provenance'],
                'line' => $row['line'],
            ], TakenFields::standing($answers)),
            'problems' => $walked->namingAnswers($problems, $answers),
            'live' => [
                'lines' => array_map(
                    static fn (LiveLine $line): array => [
                        'label' => $line->label,
                        'shown' => $line->figure?->shown(),
                        'unit' => $line->figure->unit->value ?? '',
                        'kept' => $line->kept,
                        'limit' => $line->words,
                        'signed' => $line->signed,
                    ],
                    $live->lines,
                ),
                'questions' => [...$live->questions, ...$walked->sheets->questions($written, $check->walk->own ?? [])],
                'said' => $live->said,
                'policy' => $policy->name,
                'closes' => array_map(
                    static fn (array $closed): array => [
                        'run' => $closed['run']->id,
                        'person' => $closed['run']->deployment->person,
                        'task' => $closed['run']->deployment->task,
                        'verdict' => $closed['verdict']->value,
                        'finding' => $closed['finding']?->seen,
                    ],
                    $closes,
                ),
            ],
        ];
    }

    /** @return array<string, mixed>|null what may take the place of a practice unit, and whether it does; null of any other */
    private function standIn(Draft $draft, Instrument $unit): ?array
    {
        $format = $this->families->of($unit->family);
        if (!$unit->isPractice() || !$format instanceof BringsStandIns) {
            return null;
        }
        $seat = StandInSeat::of($draft, $this->families);
        $standIn = $seat->standIn ?? $format->standIns()[0];

        return [
            'title' => $standIn->title(),
            'faults' => array_map(static fn (Fault $one): array => ['id' => $one->id, 'words' => $one->words], $standIn->faults()),
            'connected' => $seat !== null,
            'fault' => $seat?->fault,
        ];
    }
}
