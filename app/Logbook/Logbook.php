<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Prepared;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\LogOrigin;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\LogFormatReader;
use Footnote\Core\Record\RunSurroundings;
use Footnote\Core\Record\Whole;

/**
 * Reads evidence out of the logbook as the core knows it.
 *
 * @phpstan-type Record array<string, mixed>
 */
final readonly class Logbook
{
    public function __construct(
        private Connection $connection,
        private Prepared $prepared,
        private EvidenceReader $reader,
        private LogFormatReader $formats,
        private SiteClock $site,
        private Formats $families,
        private ?SupposedRecall $supposed = null,
    ) {
    }

    /** The same logbook with a recall in it that nobody has made. */
    public function supposing(SupposedRecall $recall): self
    {
        return new self($this->connection, $this->prepared, $this->reader, $this->formats, $this->site, $this->families, $recall);
    }

    /** Everything known of one instrument, read as far as it is asked for. */
    public function timeline(string $instrument): Timeline
    {
        return $this->unit($instrument)->timeline;
    }

    /** The same, with what is kept of it. */
    public function unit(string $instrument): StoredUnit
    {
        $record = $this->instrumentRecord($instrument) ?? throw Problem::missing('Instrument '.$instrument);
        $unit = $this->reader->instrument(Fields::of($record));
        $format = $this->families->of($unit->family);
        $reader = $this->reader->at($this->zoneOf($instrument));
        $chronicle = new StoredChronicle(
            $this->prepared,
            $instrument,
            static fn (array $check): Check => $reader->check(Fields::of($check), $format),
            static fn (array $event): Intervention => $reader->intervention(Fields::of($event), $unit->family),
            fn (array $ids): array => $this->coreRuns(array_values($this->runRecords(...$this->named($ids))), $unit->family),
        );
        $marks = new StoredMarks($this->prepared, $instrument, $this->supposed?->marksHoldUntil());

        $timeline = new Timeline(
            $unit,
            $chronicle,
            new StoredReferences(
                $this->connection,
                $instrument,
                fn (string $id): ?Reference => $this->references([$id])[$id] ?? null,
                $this->supposed,
            ),
            new StoredElsewhere(
                $this->connection,
                $instrument,
                function (string $id) use ($chronicle): ?Run {
                    $own = $chronicle->run($id);
                    $record = $own === null ? $this->runRecord($id) : null;

                    return $record === null ? $own : $this->coreRun($record);
                },
            ),
            $marks,
        );

        return new StoredUnit($timeline, $chronicle, $marks);
    }

    /** The days of a unit are those of the site that it was last used at. */
    public function zoneOf(string $instrument): \DateTimeZone
    {
        $zone = $this->connection->fetchOne(
            'SELECT c.zone FROM run_state s JOIN campaign c ON c.id = s.campaign_id WHERE s.instrument_id = ?'
                .' ORDER BY s.started_at DESC LIMIT 1',
            [$instrument],
        );

        return \is_string($zone) ? new \DateTimeZone($zone) : $this->site->zone();
    }

    /**
     * @param list<string> $ids
     *
     * @return array{string, list<string>} a condition on runs r, and its values
     */
    private function named(array $ids): array
    {
        return [\sprintf('r.id IN (%s)', implode(', ', array_fill(0, \count($ids), '?'))), $ids];
    }

    /** @return list<string> the units of the logbook */
    public function instruments(): array
    {
        return array_values(array_filter($this->connection->fetchFirstColumn('SELECT id FROM instrument ORDER BY id'), \is_string(...)));
    }

    /** @return Record|null with its certificates, and what was said of it since */
    public function instrumentRecord(string $id): ?array
    {
        return $this->instrumentRecords([$id])[$id] ?? null;
    }

    /** The unit alone, as the kit knows it now; null where there is none. */
    public function instrument(string $id): ?Instrument
    {
        $record = $this->instrumentRecord($id);

        return $record === null ? null : $this->reader->instrument(Fields::of($record));
    }

    /**
     * @param list<int|string>|null $ids null: all of them
     *
     * @return array<int|string, Record> with their certificates, and what was said of them since
     */
    public function instrumentRecords(?array $ids = null): array
    {
        return $this->kit('instrument', $ids, ['certificates' => 'certificate']);
    }

    /**
     * @param list<int|string>|null $ids null: all of them
     *
     * @return array<int|string, Reference>
     */
    public function references(?array $ids = null): array
    {
        return array_map(fn (array $record): Reference => $this->reader->reference(Fields::of($record)), $this->referenceRecords($ids));
    }

    /**
     * @param list<int|string>|null $ids
     *
     * @return array<int|string, Record> with certificates and recalls, and the intervals that were set for them
     */
    public function referenceRecords(?array $ids = null): array
    {
        return $this->kit('reference', $ids, ['certificates' => 'certificate', 'recalls' => 'recall']);
    }

    /**
     * @param list<int|string>|null $ids    null: all of them
     * @param array<string, string> $always the tables of what each has, by the name of its list; empty lists too
     *
     * @return array<int|string, Record> as it was registered, with what was corrected folded in and what was said since beside
     */
    private function kit(string $table, ?array $ids, array $always): array
    {
        if ($ids === []) {
            return [];
        }
        [$where, $values] = $this->in('id', $ids);
        $records = $this->pairs(\sprintf('SELECT id, record FROM %s%s ORDER BY id', $table, $where), $values);
        $owner = $table.'_id';
        $lists = array_map(fn (string $of): array => $this->added($of, $owner, array_keys($records)), [
            ...$always,
            'corrections' => 'kit_correction',
            'intervals' => 'own_interval',
            'retirements' => 'retirement',
            ...($table === 'instrument' ? ['recalls' => 'unit_recall'] : []),
        ]);
        foreach ($records as $id => $record) {
            $corrections = $lists['corrections'][$id] ?? [];
            $own = array_map(static fn (array $of): array => $of[$id] ?? [], $lists);
            $own['corrections'] = KitFolding::told($corrections);
            if ($this->supposed?->isOf($table, (string) $id) === true) {
                $own['recalls'][] = $this->supposed->record;
            }
            $records[$id] = [
                ...KitFolding::fold($record, $corrections),
                ...array_intersect_key($own, $always),
                ...array_filter(array_diff_key($own, $always)),
            ];
        }

        return $records;
    }

    /**
     * Records of runs with everything that was learned about them folded in.
     *
     * @param list<string|int> $values
     *
     * @return array<int|string, Record>
     */
    public function runRecords(string $where, array $values): array
    {
        $records = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT r.id, r.campaign_id, r.record FROM run r WHERE '.$where.' ORDER BY r.started_at, r.id',
            $values,
        ) as $row) {
            $records[Cells::text($row, 'id')] = [...Cells::json($row, 'record'), 'campaign' => Cells::text($row, 'campaign_id')];
        }
        $facts = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT f.run_id, f.record, f.reason, f.recorded_by, f.recorded_at FROM run_fact f JOIN run r ON r.id = f.run_id'
                .' WHERE '.$where.' ORDER BY f.id',
            $values,
        ) as $row) {
            $facts[Cells::text($row, 'run_id')][] = new ToldFact(
                Cells::json($row, 'record'),
                Cells::text($row, 'reason'),
                Cells::text($row, 'recorded_by'),
                Cells::moment($row, 'recorded_at'),
            );
        }
        foreach ($records as $id => $record) {
            $records[$id] = RunFolding::fold($record, $facts[$id] ?? []);
        }

        return $records;
    }

    /**
     * Checks as they are on record, in order of time, with what set them aside.
     *
     * @param list<string> $ids
     *
     * @return list<Record>
     */
    public function checkRecords(array $ids): array
    {
        if ($ids === []) {
            return [];
        }
        $marks = implode(', ', array_fill(0, \count($ids), '?'));
        $asides = $this->pairs("SELECT check_id, record FROM check_set_aside WHERE check_id IN ($marks)", $ids);
        $checks = [];
        foreach ($this->pairs("SELECT id, record FROM check_record WHERE id IN ($marks) ORDER BY checked_at", $ids) as $id => $record) {
            $checks[] = isset($asides[$id]) ? [...$record, 'setAside' => $asides[$id]] : $record;
        }

        return $checks;
    }

    /** @return list<Check> of a unit, in order of time, those among them that others stand in the place of */
    public function everyCheck(string $instrument): array
    {
        $unit = $this->instrumentRecord($instrument) ?? throw Problem::missing('Instrument '.$instrument);
        $format = $this->families->of(Cells::text($unit, 'family'));
        $reader = $this->reader->at($this->zoneOf($instrument));

        return array_map(
            static fn (array $record): Check => $reader->check(Fields::of($record), $format),
            $this->checkRecords(array_values(array_filter(
                $this->connection->fetchFirstColumn('SELECT id FROM check_record WHERE instrument_id = ?', [$instrument]),
                \is_string(...),
            ))),
        );
    }

    /** @return Record|null */
    public function runRecord(string $id): ?array
    {
        return $this->runRecords('r.id = ?', [$id])[$id] ?? null;
    }

    /** @param Record $record of a run whose campaign it names */
    public function coreRun(array $record): Run
    {
        $family = $this->connection->fetchOne('SELECT family FROM instrument WHERE id = ?', [Cells::text($record, 'instrument')]);

        return $this->coreRuns([$record], \is_string($family) ? $family : '')[0];
    }

    /**
     * @param list<Record> $records of one family
     *
     * @return list<Run>
     */
    private function coreRuns(array $records, string $family): array
    {
        $format = $this->families->of($family);
        /** @var array<int|string, list<string>> $media */
        $media = [];
        foreach ($records as $record) {
            $media[Cells::text($record, 'campaign')][] = Cells::text($record, 'medium');
        }
        $libraries = [];
        foreach ($media as $campaign => $some) {
            $libraries[$campaign] = new DatabaseLibrary(
                $this->connection,
                $this->families,
                (string) $campaign,
                array_values(array_unique(array_filter($some, static fn (string $medium): bool => $medium !== ''))),
            );
        }

        $zones = $this->zones(array_map(strval(...), array_keys($libraries)));

        return array_map(
            fn (array $record): Run => $this->readRun(
                Fields::of($record),
                $format,
                $libraries[Cells::text($record, 'campaign')],
                $zones[Cells::text($record, 'campaign')] ?? new \DateTimeZone('UTC'),
            ),
            $records,
        );
    }

    /**
     * The zones of the sites of some campaigns.
     *
     * @param list<string> $campaigns
     *
     * @return array<int|string, \DateTimeZone>
     */
    private function zones(array $campaigns): array
    {
        [$where, $values] = $this->in('id', $campaigns);
        $zones = [];
        foreach ($this->connection->fetchAllKeyValue('SELECT id, zone FROM campaign'.$where, $values) as $id => $zone) {
            $zones[$id] = new \DateTimeZone(\is_string($zone) ? $zone : 'UTC');
        }

        return $zones;
    }

    private function readRun(Fields $fields, ContentFormat $format, DatabaseLibrary $library, \DateTimeZone $zone): Run
    {
        $log = null;
        $origin = null;
        $stored = $fields->optionalObject('log')?->optionalText('stored');
        if ($stored !== null) {
            $row = $this->connection->fetchAssociative(
                'SELECT name, sha256, head, format, first_interval, step_seconds, length, remarks FROM log_file WHERE id = ?',
                [$stored],
            );
            if ($row !== false) {
                $origin = new LogOrigin(Cells::text($row, 'name'), Cells::text($row, 'sha256'), Cells::text($row, 'head'));
                $columns = $this->formats->read(Fields::of(Cells::json($row, 'format')))->columns;
                $log = new StoredLog(
                    $this->connection,
                    $stored,
                    array_values($columns),
                    new \DateTimeImmutable(Cells::text($row, 'first_interval')),
                    (float) Cells::text($row, 'step_seconds'),
                    (int) Cells::text($row, 'length'),
                    array_values(array_filter(Cells::json($row, 'remarks'), \is_string(...))),
                );
            }
        }

        $around = new RunSurroundings($zone, $library, $library, $this->formats, $origin, null, $log);

        return Whole::read(
            $fields,
            fn (Fields $all): Run => $this->reader->at($zone)->run($all, $format->readRun($all, $around), $origin),
        );
    }

    /**
     * What was added to units or references, in the order in which it was.
     *
     * @param list<int|string> $ids
     *
     * @return array<int|string, list<Record>>
     */
    private function added(string $table, string $column, array $ids): array
    {
        [$where, $values] = $this->in($column, $ids);
        $found = [];
        foreach ($this->connection->fetchAllAssociative(
            \sprintf('SELECT %s AS owner, record FROM %s%s ORDER BY id', $column, $table, $where),
            $values,
        ) as $row) {
            $found[Cells::text($row, 'owner')][] = Cells::json($row, 'record');
        }

        return $found;
    }

    /**
     * @param list<string|int> $values
     *
     * @return array<int|string, Record> by the first column; a key of digits is a number
     */
    public function pairs(string $sql, array $values): array
    {
        $pairs = [];
        foreach ($this->connection->fetchAllNumeric($sql, $values) as [$id, $json]) {
            \assert(\is_string($id) && \is_string($json));
            /** @var Record $record */
            $record = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);
            $pairs[$id] = $record;
        }

        return $pairs;
    }

    /**
     * @param list<int|string>|null $ids
     *
     * @return array{string, list<int|string>}
     */
    private function in(string $column, ?array $ids): array
    {
        return $ids === null
            ? ['', []]
            : [\sprintf(' WHERE %s IN (%s)', $column, $ids === [] ? 'NULL' : implode(', ', array_fill(0, \count($ids), '?'))), $ids];
    }
}
