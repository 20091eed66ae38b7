<?php

declare(strict_types=1);

namespace Footnote\App\Http\Runs;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\CheckVersions;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Runs;
use Footnote\App\Refusal\Problem;
use Footnote\App\Runs\RunFields;
use Footnote\App\Shown\TraitsLine;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\LogFormatReader;

/** A run with everything that was written and learned of it. */
final readonly class RunPresenter
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Logbook $logbook,
        private Runs $runs,
        private Campaigns $campaigns,
        private RunFields $fields,
        private LogFormatReader $formats,
        private Formats $families,
        private CheckVersions $versions,
    ) {
    }

    /** @return array<string, mixed> */
    public function page(string $id): array
    {
        $record = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        $family = Cells::text($this->logbook->instrumentRecord(Cells::text($record, 'instrument')) ?? [], 'family');
        $entries = $this->families->of($family)->run($this->logbook->timeline(Cells::text($record, 'instrument'))->instrument);
        $campaign = $this->campaigns->ofRun($id);
        $totals = Totals::asked(
            $this->families->of($family),
            $this->entities->find(Campaign::class, $campaign['id'])?->yardsticks()['criteria'] ?? [],
        );
        $facts = $this->runs->facts($id);
        $log = $this->runs->log($record);

        return [
            'id' => $id,
            'instrument' => Cells::text($record, 'instrument'),
            'campaign' => array_intersect_key($campaign, ['id' => 1, 'title' => 1, 'zone' => 1]),
            'start' => Cells::text($record, 'start'),
            'stop' => $record['stop'] ?? null,
            'person' => Cells::text($record, 'person'),
            'task' => Cells::text($record, 'task'),
            'place' => Cells::text($record, 'place'),
            'plannedMinutes' => $record['plannedMinutes'] ?? null,
            'shiftMinutes' => $record['shiftMinutes'] ?? null,
            'shift' => $record['shift'] ?? null,
            'family' => [
                'id' => $family,
                'entries' => Entry::all($entries),
                'values' => (object) array_intersect_key($record, array_flip($this->fields->ofFamily($family))),
                'shown' => TraitsLine::shown(EntryReader::read(Fields::of($record), $entries), $entries),
                'totals' => Entry::all($totals),
                'remarks' => array_map(static fn (RemarkKind $kind): string => $kind->id(), $this->families->remarks($family)),
            ],
            'clockOffsetSeconds' => $record['clockOffsetSeconds'] ?? null,
            'timerMinutes' => $record['timerMinutes'] ?? null,
            'totals' => Totals::shown($totals, $record['totals'] ?? []),
            'remarks' => $record['remarks'] ?? [],
            'pauses' => $record['pauses'] ?? [],
            'exclusions' => $record['exclusions'] ?? [],
            'leftIn' => $record['leftIn'] ?? [],
            'restOfDay' => $record['restOfDay'] ?? null,
            'logWord' => $record['logWord'] ?? null,
            'ofPlace' => $record['ofPlace'] ?? false,
            'declaration' => $record['declaration'] ?? null,
            'corrections' => $record['corrections'] ?? [],
            'withdrawn' => $record['withdrawn'] ?? null,
            'alike' => $this->versions->alike(Cells::text($record, 'instrument'), $family),
            'log' => $log === null ? null : [
                'id' => Cells::text($log, 'id'),
                'name' => Cells::text($log, 'name'),
                'sha256' => Cells::text($log, 'sha256'),
                'size' => (int) Cells::text($log, 'size'),
                'start' => Cells::text($log, 'first_interval'),
                'stepSeconds' => (float) Cells::text($log, 'step_seconds'),
                'length' => (int) Cells::text($log, 'length'),
                'remarks' => Cells::json($log, 'remarks'),
                'columns' => array_map(
                    static fn ($column): string => $column->channel === ''
                        ? $column->kind->id()
                        : $column->kind->ofChannel($column->channel),
                    array_values($this->formats->read(Fields::of(Cells::json($log, 'format')))->columns),
                ),
            ],
            'learned' => array_map(
                static fn (array $fact): array => [
                    'fields' => array_keys(Cells::json($fact, 'record')),
                    'reason' => Cells::text($fact, 'reason'),
                    'by' => Cells::text($fact, 'recorded_by'),
                    'at' => Cells::moment($fact, 'recorded_at'),
                ],
                $facts,
            ),
        ];
    }
}
