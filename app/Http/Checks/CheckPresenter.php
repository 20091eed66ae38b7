<?php

declare(strict_types=1);

namespace Footnote\App\Http\Checks;

use Footnote\App\Access\User;
use Footnote\App\Bench\MayCorrect;
use Footnote\App\Http\Kit\RoutinesPresenter;
use Footnote\App\Logbook\CheckVersions;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\InPlaceOf;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\OwnStep;
use Footnote\Core\Evidence\OwnValue;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Apart;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\CheckCorrection;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\WrittenValue;

/** A check as it is on record: its steps, its readings, what it leaned on, what stands in its place, and the runs that rest on it. */
final readonly class CheckPresenter
{
    private CheckCorrection $correction;

    public function __construct(
        private Logbook $logbook,
        private CheckVersions $versions,
        private EvidenceReader $reader,
        private Assessor $assessor,
        private Formats $families,
        private RestingRuns $resting,
        private RoutinesPresenter $routines,
        private KeptFiles $files,
    ) {
        $this->correction = new CheckCorrection($families);
    }

    /** @return array<string, mixed> */
    public function page(string $id, User $for): array
    {
        $record = $this->logbook->checkRecords([$id])[0] ?? throw Problem::missing('Check '.$id);
        $timeline = $this->logbook->timeline(Cells::text($record, 'instrument'));
        $unit = $timeline->instrument;
        $format = $this->families->of($unit->family);
        $check = $this->reader->check(Fields::of($record), $format);
        $procedure = Procedure::among($this->assessor->family($unit->family)->procedures($unit), $check->content->procedure());
        $replaced = $this->versions->replacing($id);

        return [
            'id' => $id,
            'instrument' => ['id' => $unit->id, 'model' => $unit->model, 'serial' => $unit->serial, 'family' => $unit->family],
            'zone' => $this->logbook->zoneOf($unit->id)->getName(),
            'at' => $check->at->format(\DATE_ATOM),
            'who' => $check->notes->who(),
            'away' => $check->notes->away?->words($this->logbook->zoneOf($unit->id)),
            'remarks' => $check->notes->remarks,
            'next' => $this->next($id, $unit),
            'adjusted' => $check->content->wasAdjusted(),
            'brokenOff' => $check->walk->brokenOff,
            'setAside' => $check->notes->setAside === null ? null : [
                'at' => $check->notes->setAside->at->format(\DATE_ATOM),
                'by' => $check->notes->setAside->by,
                'reason' => $check->notes->setAside->reason,
            ],
            'procedure' => $procedure->title,
            'round' => $check->walk->pace->round,
            'steps' => self::steps($procedure, $check),
            'took' => $check->walk->pace->took(),
            'comesTo' => $this->comesTo($check, $timeline),
            'values' => array_map(self::value(...), $this->correction->values($record, $unit->family)),
            'references' => $this->references($check, $timeline),
            'inPlaceOf' => $check->notes->inPlaceOf === null ? null : $this->told(
                $check->notes->inPlaceOf->check,
                $check->notes->inPlaceOf->instrument,
                $check->notes->inPlaceOf,
                $this->changes($check->notes->inPlaceOf->check, $record, $unit->family),
            ),
            'replacedBy' => $replaced === null ? null : $this->replacedBy($replaced, $record, $unit->family),
            'runs' => $replaced === null && $check->notes->setAside === null ? $this->resting->on($check, $timeline) : [],
            'mayCorrect' => MayCorrect::refusal($for, $check, $replaced !== null)?->getMessage(),
            'hows' => array_map(
                static fn (Provenance $how): array => [
                    'value' => $how->value,
                    'words' => $how->words(),
                    'witnessed' => $how->isWitnessed(),
                ],
                array_values(array_filter(
                    Provenance::known(),
                    fn (Provenance $how): bool => $how !== Provenance::Photographed || $this->files->hasPicture(FileOf::Check, $id),
                )),
            ),
            'alike' => $this->versions->alike($unit->id, $unit->family),
        ];
    }

    /** When the first of those things is due again that were last done by this check; null where it did none that is wanted again. */
    private function next(string $id, Instrument $unit): ?string
    {
        $until = [];
        foreach ($this->routines->of($unit)['routines'] as $routine) {
            foreach (\is_array($routine['done'] ?? null) ? $routine['done'] : [] as $done) {
                if (\is_array($done) && ($done['evidence'] ?? null) === $id && \is_string($done['until'] ?? null)) {
                    $until[] = $done['until'];
                }
            }
        }

        return $until === [] ? null : min($until);
    }

    /** @return list<array<string, mixed>> */
    private static function steps(Procedure $procedure, Check $check): array
    {
        $asked = array_values(array_filter(
            $procedure->steps,
            static fn (Step $step): bool => $check->step($step->id) !== null || ($step->required && $step->onlyAfter === null),
        ));

        return [
            ...array_map(
                static fn (Step $step): array => self::step($check, $step->id, $step->words->title, $step->required),
                $asked,
            ),
            ...array_map(
                static fn (OwnStep $own): array => self::step($check, $own->id, $own->title, $own->required, $own->sheet, $own->values),
                $check->walk->own,
            ),
        ];
    }

    /**
     * @param string         $sheet  that added it; empty where the procedure has it
     * @param list<OwnValue> $values written down at it
     *
     * @return array<string, mixed>
     */
    private static function step(Check $check, string $id, string $title, bool $required, string $sheet = '', array $values = []): array
    {
        return [
            'id' => $id,
            'title' => $title,
            'required' => $required,
            'state' => $check->step($id)?->value,
            'reason' => $check->walk->reasons[$id] ?? null,
            'at' => ($check->walk->pace->done[$id] ?? null)?->format(\DATE_ATOM),
            'waited' => $check->walk->pace->waited($id),
            'together' => $check->walk->pace->togetherWith($id),
            'sheet' => $sheet,
            'values' => array_map(
                static fn (OwnValue $value): array => ['words' => $value->words(), 'isUnusual' => $value->isUnusual()],
                $values,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function value(WrittenValue $value): array
    {
        return [
            'path' => $value->path,
            'label' => $value->label,
            'value' => $value->value,
            'shown' => $value->shown(),
            'unit' => $value->unit,
            'isName' => $value->in->names ?? false,
            'of' => $value->in->table ?? '',
            'row' => $value->in->row ?? '',
            'how' => $value->in?->how?->words(),
            'choices' => $value->entry->describe()['choices'],
            'isDecimal' => \in_array($value->entry->kind->value, ['decimal', 'measured', 'each'], true),
        ];
    }

    /** @return list<array<string, mixed>> what it says of the unit, by channel; none where it shows nothing, or counts no more */
    private function comesTo(Check $check, Timeline $timeline): array
    {
        $family = $this->assessor->family($timeline->instrument->family);
        $told = [];
        foreach (Apart::of($family, $timeline) as [$channel, $of]) {
            $point = $family->bench()->lastPoint($of, $check->at);
            if ($point?->check === $check->id) {
                $history = $family->bench()->history($of, new \DateTimeImmutable(Timeline::BEGINNING));
                $told[] = [
                    'channel' => $channel,
                    'shows' => $history->shows,
                    'unit' => $history->unit->value,
                    'driftUnit' => $history->drift->value,
                    'found' => $point->found,
                    'left' => $point->left,
                    'drift' => $point->drift,
                    'adjustment' => $point->adjustment,
                ];
            }
        }

        return $told;
    }

    /** @return list<array<string, mixed>> */
    private function references(Check $check, Timeline $timeline): array
    {
        $shown = [];
        foreach ($check->leansOn() as $id) {
            $reference = $timeline->reference($id);
            $certificate = $reference?->certificateAt($check->at);
            $shown[] = [
                'id' => $id,
                'model' => $reference->model ?? '',
                'kind' => $reference === null ? '' : $this->families->referenceKind($reference->kind)->title ?? $reference->kind,
                'certificate' => $certificate === null ? null : [
                    'number' => $certificate->number,
                    'laboratory' => $certificate->laboratory,
                    'issued' => $certificate->issued->format('Y-m-d'),
                    'due' => $certificate->due->format('Y-m-d'),
                ],
                'recalled' => $reference?->recalledAt($check->at)?->reason,
            ];
        }

        return $shown;
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>|null
     */
    private function replacedBy(string $by, array $record, string $family): ?array
    {
        $newer = $this->logbook->checkRecords([$by])[0] ?? [];
        $why = $newer === [] ? null : $this->reader->check(Fields::of($newer), $this->families->of($family))->notes->inPlaceOf;

        return $why === null ? null : $this->told(
            $by,
            Cells::text($newer, 'instrument'),
            $why,
            $this->correction->changes($record, $newer, $family),
        );
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return list<array{label: string, was: string, is: string}>
     */
    private function changes(string $old, array $record, string $family): array
    {
        return $this->correction->changes($this->logbook->checkRecords([$old])[0] ?? [], $record, $family);
    }

    /**
     * @param list<array{label: string, was: string, is: string}> $changes
     *
     * @return array<string, mixed>
     */
    private function told(string $check, string $instrument, InPlaceOf $why, array $changes): array
    {
        return [
            'check' => $check,
            'instrument' => $instrument,
            'at' => $why->at->format(\DATE_ATOM),
            'by' => $why->by,
            'reason' => $why->reason,
            'how' => $why->how->words(),
            'changes' => $changes,
        ];
    }
}
