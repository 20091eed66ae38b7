<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Comparator;
use Footnote\Core\Judgement\ExposureComparator;
use Footnote\Core\Judgement\PolicyChoice;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Procedure\Entry;

/**
 * The JSON Schema of the record format: what all families share stands here beside its reader (EvidenceReader), and each family's
 * part is made of the entries that its reader reads.
 *
 * What JSON Schema cannot say is left to the reader, and listed in docs/formats.md.
 *
 * @phpstan-import-type Schema from Shape
 */
final readonly class RecordSchema
{
    public const FORMAT = 'footnote-record/1';

    public function __construct(private Formats $formats)
    {
    }

    /** @return Schema */
    public function schema(): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => self::FORMAT,
            'description' => 'A record of checks, runs and what was found: everything an assessment rests on. See docs/formats.md.',
            ...Shape::object([
                'format' => ['const' => self::FORMAT],
                'site' => Shape::object(['name' => Shape::said(), 'timeZone' => Shape::said()], ['name', 'timeZone']),
                'policy' => Shape::ref('policy'),
                'campaign' => Shape::object([
                    'code' => Shape::ref('id'),
                    'title' => Shape::said(),
                    'criteria' => Shape::list(Shape::ref('criterion')),
                    'limits' => Shape::list(Shape::ref('limit')),
                ], ['code', 'title']),
                'instruments' => Shape::list(Shape::ref('instrument')),
                'references' => Shape::list(Shape::ref('reference')),
                'checks' => Shape::list(Shape::ref('check')),
                'interventions' => Shape::list(Shape::ref('intervention')),
                'runs' => Shape::list(Shape::ref('run')),
                'library' => $this->library(),
                'blanks' => Shape::list(Shape::object([
                    'medium' => Shape::said(60),
                    'kind' => ['enum' => ['field', 'media', '']],
                    'note' => Shape::text(),
                ], ['medium'])),
                'laboratory' => Shape::list(self::report()),
                'files' => Shape::list(self::file()),
                'decisions' => Shape::list(self::decision()),
            ], ['format', 'site', 'campaign']),
            '$defs' => [
                ...self::plain(),
                'instrument' => $this->told('family', $this->instruments()),
                'reference' => $this->told('kind', $this->references()),
                'check' => $this->check(),
                'intervention' => $this->intervention(),
                'logFormat' => $this->logFormat(),
                'totals' => $this->totals(),
                'run' => $this->run(),
                'criterion' => ['anyOf' => $this->criteria()],
                'limit' => self::limit(),
                'policy' => self::policy(),
            ],
        ];
    }

    /** @return array<string, Schema> */
    private static function plain(): array
    {
        return [
            'decimal' => [
                'type' => 'string',
                'pattern' => "^\\s*[+\\-\u{2212}]?(\\d+([.,]\\d*)?|[.,]\\d+)\\s*$",
                'maxLength' => 30,
                'description' => 'A decimal as written, with its digits; point or comma.',
            ],
            'id' => ['type' => 'string', 'pattern' => '^[A-Za-z0-9][A-Za-z0-9._-]{0,39}$'],
            'moment' => [
                'type' => 'string',
                'pattern' => '^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,6})?)?(Z|[+-]\d{2}:\d{2})$',
                'description' => 'ISO 8601 with its offset from UTC.',
            ],
            'day' => ['type' => 'string', 'pattern' => '^\d{4}-\d{2}-\d{2}$'],
            'span' => Shape::object(['from' => Shape::ref('moment'), 'to' => Shape::ref('moment')], ['from', 'to']),
            'reasoned' => Shape::object([
                'from' => Shape::ref('moment'),
                'to' => Shape::ref('moment'),
                'reason' => Shape::said(),
                'by' => Shape::said(),
            ], ['from', 'to', 'reason', 'by']),
        ];
    }

    /**
     * @param list<Entry> $beside of a row
     *
     * @return Schema
     */
    private static function certifiedValue(array $beside): array
    {
        return Shape::object([
            'nominal' => Shape::ref('decimal'),
            'certified' => Shape::ref('decimal'),
            'uncertainty' => Shape::ref('decimal'),
            ...Shape::properties($beside),
        ], ['nominal', 'certified', ...Shape::required($beside)]);
    }

    /**
     * A certificate, with what its kind of reference states beside its table.
     *
     * @param list<Entry> $constants
     * @param list<Entry> $beside    of a row of its table
     *
     * @return Schema
     */
    private static function certificates(array $constants, array $beside): array
    {
        $word = [
            'number' => Shape::said(),
            'issued' => Shape::ref('day'),
            'at' => Shape::ref('moment'),
            'by' => Shape::said(),
            'reason' => Shape::said(),
        ];
        $changes = self::changes();
        $before = 'Another certificate of the list, before it, that counts for nothing any more.';

        return Shape::list(['anyOf' => [
            Shape::object([
                'number' => Shape::said(),
                'laboratory' => Shape::said(),
                'issued' => Shape::ref('day'),
                'due' => Shape::ref('day'),
                'values' => Shape::list(self::certifiedValue($beside)),
                ...Shape::properties($constants),
                Certificates::CORRECTS => Shape::object([...$word, 'changes' => $changes], array_keys($word), $before),
            ], ['number', 'laboratory', 'issued', 'due', ...Shape::required($constants)]),
            Shape::object([Certificates::WITHDRAWS => Shape::object($word, array_keys($word), $before)], [Certificates::WITHDRAWS]),
        ]]);
    }

    /**
     * @param list<Routine> $routines
     *
     * @return Schema
     */
    private static function intervals(array $routines): array
    {
        return Shape::list(Shape::object([
            'routine' => ['enum' => array_map(static fn (Routine $one): string => $one->id(), $routines)],
            'every' => Shape::ref('decimal'),
            'unit' => ['enum' => array_map(static fn (IntervalUnit $one): string => $one->value, IntervalUnit::cases())],
            'since' => Shape::ref('day'),
            'source' => Shape::said(),
            'by' => Shape::said(),
        ], ['routine', 'every', 'unit', 'since', 'source', 'by'], 'Set by the site in place of the interval of the policy.'));
    }

    /** @return array<string, Schema> by family */
    private function instruments(): array
    {
        // A unit's own certificate may list whatever a laboratory's table does.
        $beside = array_merge(...array_map(
            static fn (ReferenceKind $kind): array => $kind->table->beside ?? [],
            array_values($this->formats->referenceKinds()),
        ));

        return array_map(static fn (ContentFormat $format): array => Shape::object([
            'id' => Shape::ref('id'),
            'family' => ['type' => 'string'],
            'model' => Shape::said(),
            'serial' => Shape::text(40),
            ...Shape::properties(UnitEntries::of($format)),
            'certificates' => self::certificates([], $beside),
            'intervals' => self::intervals([...CommonRoutine::cases(), ...$format->routines()]),
            'recalls' => self::recalls([]),
            'retirements' => self::retirements(),
            'corrections' => Shape::list(Shape::object(
                ['at' => Shape::ref('moment'), 'by' => Shape::said(), 'reason' => Shape::said(), 'changes' => self::changes()],
                ['at', 'by', 'reason'],
                'What of it was typed in wrongly at first.',
            )),
        ], ['id', 'family', 'model', ...Shape::required(UnitEntries::of($format))]), $this->formats->all());
    }

    /**
     * @param array<string, Schema> $error how far it was off, where that can be taken out
     *
     * @return Schema
     */
    private static function recalls(array $error): array
    {
        return Shape::list(Shape::object([
            'since' => Shape::ref('moment'),
            'until' => Shape::ref('moment'),
            'reason' => Shape::said(),
            ...$error,
            RecallList::TAKES_BACK => [
                'type' => 'integer',
                'minimum' => 0,
                'description' => 'Place in this list of a recall that it takes back; then it says nothing but why.',
            ],
            'at' => Shape::ref('moment'),
            'by' => Shape::said(),
        ], ['reason']));
    }

    /** @return array<string, Schema> by kind */
    private function references(): array
    {
        return array_map(static fn (ReferenceKind $kind): array => Shape::object([
            'id' => Shape::ref('id'),
            'kind' => ['type' => 'string'],
            'model' => Shape::said(),
            ...Shape::properties($kind->entries),
            'recalls' => self::recalls($kind->error === null ? [] : ['error' => Shape::ref('decimal')]),
            'certificates' => self::certificates($kind->constants, $kind->table->beside ?? []),
            'intervals' => self::intervals(CommonRoutine::cases()),
            'retirements' => self::retirements(),
            'corrections' => Shape::list(Shape::object(
                ['at' => Shape::ref('moment'), 'by' => Shape::said(), 'reason' => Shape::said(), 'changes' => self::changes()],
                ['at', 'by', 'reason'],
                'What of it was typed in wrongly at first.',
            )),
        ], ['id', 'kind', 'model', ...Shape::required($kind->entries)]), $this->formats->referenceKinds());
    }

    /**
     * An object whose fields hang on what it says it is: said that way, a fault is told by its own place.
     *
     * @param array<string, Schema> $kinds by what it says
     *
     * @return Schema
     */
    private function told(string $field, array $kinds): array
    {
        return [
            'type' => 'object',
            'properties' => [$field => ['enum' => array_map(strval(...), array_keys($kinds))]],
            'required' => [$field],
            'allOf' => array_map(
                static fn (string $kind, array $shape): array => [
                    'if' => ['properties' => [$field => ['const' => $kind]], 'required' => [$field]],
                    'then' => $shape,
                ],
                array_map(strval(...), array_keys($kinds)),
                array_values($kinds),
            ),
        ];
    }

    /** @return Schema */
    private function check(): array
    {
        $sections = [];
        foreach ($this->formats->all() as $format) {
            $sections[$format->section()] = Shape::object(Shape::properties($format->check()), Shape::required($format->check()));
        }

        return [
            ...Shape::object([
                'id' => Shape::ref('id'),
                'instrument' => Shape::said(),
                'at' => Shape::ref('moment'),
                'by' => Shape::said(),
                'reference' => Shape::text(40),
                'steps' => Shape::map(Shape::cases(StepState::class), 'What became of each step, in the order in which they were done.'),
                'stepReasons' => Shape::map(Shape::said(2000), 'Why a step did not apply.'),
                'stepTimes' => Shape::map(Shape::ref('moment'), 'When each step was confirmed, as the bench noted it.'),
                'stepWaits' => Shape::map(Shape::ref('moment'), 'When the timer of a step was started.'),
                'together' => Shape::list(Shape::object(
                    ['steps' => Shape::list(Shape::said())],
                    ['steps'],
                    'Steps that one press confirmed together.',
                )),
                'round' => Shape::list(Shape::said()),
                TakenEntries::NAME => Shape::list(Shape::object(
                    [
                        TakenEntries::FIELD => Shape::said(),
                        ReadingEntries::PROVENANCE => ['enum' => [Provenance::Instrument->value, Provenance::Simulated->value]],
                        ReadingEntries::LINE => Shape::said(),
                    ],
                    [TakenEntries::FIELD, ReadingEntries::PROVENANCE, ReadingEntries::LINE],
                    'What stands in no list of readings and came from lines, such as the temperature of the air.',
                )),
                ...Shape::properties([OwnSteps::entry()]),
                'files' => Shape::list(Shape::ref('id')),
                'brokenOff' => ['type' => 'boolean'],
                'setAside' => Shape::object(
                    ['at' => Shape::ref('moment'), 'by' => Shape::said(), 'reason' => Shape::said()],
                    ['at', 'by', 'reason'],
                ),
                'inPlaceOf' => Shape::object(
                    [
                        'check' => Shape::ref('id'),
                        'instrument' => Shape::ref('id'),
                        'at' => Shape::ref('moment'),
                        'by' => Shape::said(),
                        'reason' => Shape::said(),
                        'how' => self::ofPersons(),
                    ],
                    ['check', 'instrument', 'at', 'by', 'reason', 'how'],
                    'Another check of the record that was written wrongly; it counts for nothing any more.',
                ),
                'typedBy' => Shape::list(Shape::object(
                    ['by' => Shape::said(), 'fields' => Shape::list(Shape::said())],
                    ['by', 'fields'],
                    'Who typed which answers, where that was noted; "by" is who accepted the check.',
                )),
                'away' => Shape::object(
                    ['brought' => Shape::ref('moment'), 'ahead' => ['type' => 'integer'], 'why' => Shape::text(2000)],
                    ['brought', 'ahead'],
                    'Made without a network: when it was brought, by how many seconds the clock of the device was ahead then, and why its '
                        .'moments stand where that was too much.',
                ),
                'remarks' => Shape::text(2000),
                ...$sections,
            ], ['id', 'instrument', 'at', 'by']),
            'oneOf' => array_map(static fn (string $section): array => ['required' => [$section]], array_keys($sections)),
        ];
    }

    /** @return Schema what is another in words */
    private static function changes(): array
    {
        return Shape::list(Shape::object(
            ['label' => Shape::said(), 'was' => Shape::text(2000), 'is' => Shape::text(2000)],
            ['label'],
            'In words.',
        ));
    }

    /** @return Schema when it was taken out of use, and back into it; no judgement rests on it */
    private static function retirements(): array
    {
        return Shape::list(Shape::object([
            'at' => Shape::ref('moment'),
            'by' => Shape::said(),
            'reason' => Shape::said(),
            'back' => ['type' => 'boolean'],
        ], ['at', 'by', 'reason']));
    }

    /** @return Schema how a person knows a value that no kept line shows */
    private static function ofPersons(): array
    {
        return ['enum' => array_map(static fn (Provenance $one): string => $one->value, Provenance::ofPersons())];
    }

    /** @return Schema how a stretch of lines that was printed came, and how it is read */
    private static function lines(): array
    {
        return Shape::object([
            'step' => Shape::said(60),
            'by' => Shape::oneOf(['stand-in', 'port', 'file', 'pasted']),
            'zone' => Shape::said(60),
            'until' => Shape::ref('moment'),
            'profile' => ['type' => 'object', 'description' => 'The line profile as it was; without one they are open lines.'],
            'standIn' => Shape::object(
                ['kind' => Shape::said(60), 'fault' => Shape::said(60), 'seed' => ['type' => 'integer'], 'began' => Shape::ref('moment')],
                ['kind', 'seed', 'began'],
            ),
            'first' => Shape::ref('moment'),
            'after' => Shape::list(['type' => 'integer', 'minimum' => 0]),
        ], ['step', 'by', 'zone', 'until'], 'Lines that an instrument printed; "first" and "after" (ms) tell when each came.');
    }

    /** @return Schema a photo or a document, as it is kept */
    private static function file(): array
    {
        return Shape::object([
            'id' => Shape::ref('id'),
            'of' => Shape::object(
                ['kind' => Shape::oneOf(['draft', 'check', 'run', 'reference', 'instrument']), 'id' => Shape::said(60)],
                ['kind', 'id'],
                'What it is of; one that was added to a half-done check is named by the check.',
            ),
            'name' => Shape::said(200),
            'type' => Shape::oneOf(['image/jpeg', 'image/png', 'application/pdf', 'text/plain']),
            'place' => Shape::text(80),
            'note' => Shape::text(2000),
            'removed' => Shape::list(Shape::said(200)),
            'lines' => self::lines(),
            'sha256' => self::digest(),
            'size' => ['type' => 'integer', 'minimum' => 1],
            'by' => Shape::said(),
            'at' => Shape::ref('moment'),
            'file' => Shape::said(200),
        ], ['id', 'of', 'name', 'type', 'sha256', 'size', 'by', 'at', 'file']);
    }

    /** @return Schema what a person decided of a run, in whichever logbook that was; nothing is worked out of it */
    private static function decision(): array
    {
        return Shape::object([
            'logbook' => [...self::digest(), 'description' => 'The hash of the first entry in the journal of the logbook.'],
            'run' => Shape::ref('id'),
            'kind' => Shape::oneOf(['sign', 'void', 'overrule']),
            'verdict' => Shape::oneOf(self::verdicts()),
            'proposed' => Shape::oneOf(self::verdicts()),
            'reason' => Shape::text(4000),
            'policy' => Shape::said(60),
            'covers' => [...Shape::list(Shape::said(200)), 'description' => 'Keys of the results that it covers.'],
            'said' => [...self::digest(), 'description' => 'The digest of what was said of the run when it was decided.'],
            'snapshot' => [...self::digest(), 'description' => 'The SHA-256 of what the person saw, as it was frozen.'],
            'by' => Shape::said(),
            'at' => Shape::ref('moment'),
        ], ['logbook', 'run', 'kind', 'verdict', 'proposed', 'policy', 'said', 'snapshot', 'by', 'at']);
    }

    /** @return list<string> */
    private static function verdicts(): array
    {
        return array_map(static fn (Verdict $verdict): string => $verdict->value, Verdict::cases());
    }

    /** @return Schema */
    private static function digest(): array
    {
        return ['type' => 'string', 'pattern' => '^[0-9a-f]{64}$'];
    }

    /** @return Schema */
    private function intervention(): array
    {
        return Shape::object([
            'id' => Shape::ref('id'),
            'instrument' => Shape::said(),
            'at' => Shape::ref('moment'),
            'kind' => Shape::oneOf(array_map(static fn (InterventionKind $kind): string => $kind->id(), $this->formats->interventions())),
            'by' => Shape::said(),
            'note' => Shape::text(2000),
            'channel' => Shape::text(40),
        ], ['id', 'instrument', 'at', 'kind', 'by']);
    }

    /** @return Schema */
    private function logFormat(): array
    {
        $place = ['type' => 'integer', 'minimum' => 0, 'maximum' => 500];

        return Shape::object([
            'delimiter' => ['enum' => [',', ';', '|', "\t"]],
            'decimal' => ['enum' => ['.', ',']],
            'skip' => Shape::number(0, 1000),
            'columns' => Shape::list(Shape::object([
                'place' => $place,
                'kind' => Shape::oneOf(array_map(static fn (ColumnKind $kind): string => $kind->id(), $this->formats->columnKinds())),
                'header' => Shape::text(),
                'exchangeRate' => Shape::ref('decimal'),
                'threshold' => Shape::ref('decimal'),
                'channel' => Shape::text(40),
                'statistic' => ['enum' => ['average', 'maximum', 'minimum', '']],
            ], ['place', 'kind']), 1),
            'time' => Shape::list(['type' => 'integer', 'minimum' => 0]),
            'dateOrder' => ['enum' => ['ymd', 'dmy', 'mdy', '']],
            'stepSeconds' => Shape::number(0.001, 86400),
            'stampAtEnd' => ['type' => 'boolean'],
        ], ['delimiter', 'decimal', 'columns']);
    }

    /** @return Schema */
    private function totals(): array
    {
        $value = Shape::properties([Entry::decimal('value', 'Reading', '-1000000', '1000000', required: true)]);
        $reading = Shape::object([...$value, ReadingEntries::PROVENANCE => self::ofPersons()], ['value', ReadingEntries::PROVENANCE]);
        $totals = [];
        foreach ($this->formats->all() as $format) {
            foreach ($format instanceof BringsTotals ? $format->totals() : [] as $entry) {
                $totals[$entry->name] = $reading;
            }
            $each = $format instanceof BringsTotals ? $format->totalOfEachCriterion() : null;
            $totals += $each === null ? [] : [$each->name => Shape::map($reading)];
        }

        return Shape::object($totals);
    }

    /** @return Schema */
    private function run(): array
    {
        $own = [];
        foreach ($this->formats->all() as $format) {
            foreach (Shape::properties($format->run()) as $name => $property) {
                // Families that ask alike by one name ask the same; where they do not, either may stand.
                $own[$name] = !isset($own[$name]) || $own[$name] === $property ? $property : ['anyOf' => [$own[$name], $property]];
            }
        }

        return Shape::object([
            'id' => Shape::ref('id'),
            'instrument' => Shape::said(),
            'start' => Shape::ref('moment'),
            'stop' => Shape::ref('moment'),
            'timesFrom' => ['enum' => ['watch', 'unit', '']],
            'person' => Shape::said(),
            'task' => Shape::said(),
            'place' => Shape::text(),
            'shift' => Shape::text(60),
            'ofPlace' => ['type' => 'boolean'],
            'plannedMinutes' => Shape::number(1, 10080),
            'shiftMinutes' => Shape::number(1, 1440),
            'timerMinutes' => Shape::number(0, 10080),
            'clockOffsetSeconds' => Shape::number(-864000, 864000),
            'pauses' => Shape::list(Shape::ref('span')),
            'remarks' => Shape::list(Shape::object(
                [
                    'kind' => Shape::oneOf(array_map(static fn (RemarkKind $kind): string => $kind->id(), $this->formats->remarks())),
                    'at' => Shape::ref('moment'),
                    'note' => Shape::text(2000),
                ],
                ['kind'],
            )),
            'exclusions' => Shape::list(Shape::ref('reasoned')),
            'leftIn' => Shape::list(Shape::ref('reasoned')),
            'restOfDay' => Shape::object([
                'was' => ['enum' => ['as sampled', 'nothing']],
                'reason' => Shape::said(),
                'by' => Shape::said(),
            ], ['was', 'reason', 'by']),
            'logWord' => Shape::object(
                ['isOwn' => ['type' => 'boolean'], 'reason' => Shape::said(), 'by' => Shape::said()],
                ['isOwn', 'reason', 'by'],
            ),
            'declaration' => Shape::object(
                ['check' => Shape::ref('id'), 'by' => Shape::said(), 'reason' => Shape::said()],
                ['check', 'by', 'reason'],
            ),
            'despite' => Shape::object(
                ['reason' => Shape::said(2000), 'by' => Shape::said(), 'against' => Shape::list(Shape::said(2000))],
                ['reason', 'by', 'against'],
                'Why the instrument went out that was not fit to.',
            ),
            'corrections' => Shape::list(Shape::object(
                [
                    'what' => Shape::said(),
                    'was' => Shape::text(2000),
                    'is' => Shape::text(2000),
                    'by' => Shape::said(),
                    'at' => Shape::ref('moment'),
                    'reason' => Shape::said(2000),
                ],
                ['what', 'by', 'at', 'reason'],
                'What was written of the run and was wrong; the run tells what is right.',
            )),
            'withdrawn' => Shape::object(
                ['at' => Shape::ref('moment'), 'by' => Shape::said(), 'reason' => Shape::said(2000)],
                ['at', 'by', 'reason'],
                'It was begun in error: it measured nothing, and its instrument was free.',
            ),
            'log' => Shape::object(
                ['file' => Shape::said(), 'format' => Shape::ref('logFormat'), 'start' => Shape::ref('moment')],
                ['file', 'format'],
            ),
            'totals' => Shape::ref('totals'),
            ...$own,
        ], ['id', 'instrument', 'start', 'person', 'task']);
    }

    /** @return list<Schema> */
    private function criteria(): array
    {
        $shapes = [];
        foreach ($this->formats->all() as $format) {
            $entries = $format instanceof HasCriteria ? $format->criterion() : [];
            if ($entries !== []) {
                $shapes[json_encode(Shape::properties($entries), \JSON_THROW_ON_ERROR)] = Shape::object([
                    'id' => Shape::ref('id'),
                    'name' => Shape::said(),
                    ...Shape::properties($entries),
                    'source' => Shape::said(),
                    'mark' => Shape::cases(SourceMark::class),
                ], ['id', 'name', ...Shape::required($entries), 'source', 'mark']);
            }
        }

        return array_values($shapes);
    }

    /** @return Schema */
    private static function limit(): array
    {
        return Shape::object([
            'id' => Shape::ref('id'),
            'title' => Shape::said(),
            'quantity' => Shape::said(),
            'value' => Shape::ref('decimal'),
            'unit' => Shape::text(),
            'comparator' => Shape::cases(ExposureComparator::class),
            'scope' => Shape::text(),
            'source' => Shape::said(),
            'mark' => Shape::cases(SourceMark::class),
            'mixture' => Shape::text(60),
            'lelBasis' => Shape::ref('decimal'),
        ], ['id', 'title', 'quantity', 'value', 'comparator', 'source', 'mark']);
    }

    /** @return Schema */
    private static function policy(): array
    {
        $shipped = ['enum' => ['standard', 'cautious', 'survey']];
        $limit = Shape::object(
            ['value' => Shape::ref('decimal'), 'unit' => ['type' => 'string'], 'comparator' => Shape::cases(Comparator::class)],
        );

        return ['anyOf' => [$shipped, Shape::object([
            'id' => Shape::ref('id'),
            'name' => Shape::said(80),
            'version' => ['type' => 'integer', 'minimum' => 1],
            'summary' => ['type' => 'string'],
            'basedOn' => $shipped,
            'reported' => Shape::map(Shape::cases(Answer::class)),
            'rules' => Shape::map(Shape::object([
                'title' => Shape::said(),
                'severity' => ['enum' => ['note', 'corrected', 'qualified', 'void', 'off']],
                'limits' => Shape::map($limit),
                'source' => Shape::said(),
                'mark' => Shape::cases(SourceMark::class),
            ])),
            'choices' => Shape::object(array_combine(
                array_column(PolicyChoice::cases(), 'value'),
                array_map(static fn (PolicyChoice $one): array => Shape::oneOf(array_keys($one->answers())), PolicyChoice::cases()),
            )),
        ], ['id', 'name', 'version', 'rules'])]];
    }

    /** @return Schema */
    private function library(): array
    {
        $shelves = [];
        foreach ($this->formats->shelves() as $shelf) {
            $asked = ['name' => Shape::said(200), ...Shape::properties($shelf->entries)];
            $whole = Shape::object(['code' => Shape::ref('id'), ...$asked], ['code', 'name', ...Shape::required($shelf->entries)]);
            $codes = array_column($shelf->shipped, 'code');
            // An entry that comes with Footnote may say no more than what differs.
            $over = Shape::object(['code' => ['enum' => $codes], ...$asked], ['code']);
            $shelves[$shelf->id] = Shape::list($codes === [] ? $whole : ['anyOf' => [$whole, $over]]);
        }

        return Shape::object($shelves);
    }

    /** @return Schema */
    private static function report(): array
    {
        $said = ['enum' => ['yes', 'no', 'unknown', '']];
        $mass = [
            'type' => 'string',
            'maxLength' => 40,
            'pattern' => "^\\s*(<*\\s*[+\\-\u{2212}]?(\\d+([.,]\\d*)?|[.,]\\d+)\\s*)?$",
        ];

        return Shape::object([
            'id' => Shape::ref('id'),
            'number' => Shape::said(),
            'laboratory' => Shape::said(),
            'received' => Shape::ref('day'),
            'blankCorrected' => $said,
            'desorptionCorrected' => $said,
            'simulated' => ['type' => 'boolean', 'description' => 'Sent by a stand-in: of media of practice units alone.'],
            'rows' => Shape::list(Shape::object([
                'medium' => Shape::said(60),
                'analyte' => Shape::said(60),
                'front' => $mass,
                'back' => $mass,
                'unit' => ['enum' => ['µg', 'mg']],
                'quantitation' => $mass,
                'detection' => $mass,
                'desorption' => Shape::ref('decimal'),
            ], ['medium', 'analyte', 'front'])),
        ], ['id', 'number', 'laboratory']);
    }
}
