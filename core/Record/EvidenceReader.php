<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\Away;
use Footnote\Core\Evidence\BegunDespite;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\CertifiedValue;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckNotes;
use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Evidence\Declaration;
use Footnote\Core\Evidence\Deployment;
use Footnote\Core\Evidence\Exclusion;
use Footnote\Core\Evidence\InPlaceOf;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Interval;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\InvalidInterval;
use Footnote\Core\Evidence\KitCorrection;
use Footnote\Core\Evidence\LogOrigin;
use Footnote\Core\Evidence\LogSource;
use Footnote\Core\Evidence\LogWord;
use Footnote\Core\Evidence\OwnInterval;
use Footnote\Core\Evidence\OwnIntervals;
use Footnote\Core\Evidence\Pace;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Recall;
use Footnote\Core\Evidence\Recalls;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Remark;
use Footnote\Core\Evidence\RemarkKind;
use Footnote\Core\Evidence\RestOfDay;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\RunCorrection;
use Footnote\Core\Evidence\RunNotes;
use Footnote\Core\Evidence\SetAside;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Evidence\Timing;
use Footnote\Core\Evidence\Typed;
use Footnote\Core\Evidence\Upkeep;
use Footnote\Core\Evidence\Walk;
use Footnote\Core\Evidence\Withdrawn;
use Footnote\Core\Evidence\WorkingDay;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Judgement\ExposureComparator;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\Source;
use Footnote\Core\Judgement\Threshold;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Quantity\Span;

/**
 * Reads pieces of evidence from the record format (docs/formats.md).
 *
 * @throws InvalidRecord naming the place of the fault
 */
final readonly class EvidenceReader
{
    /** @param \DateTimeZone|null $zone of the site, in which its days and hours are told; null: as each moment was written */
    public function __construct(private Formats $formats, private ?\DateTimeZone $zone = null)
    {
    }

    public function at(\DateTimeZone $zone): self
    {
        return new self($this->formats, $zone);
    }

    public function instrument(Fields $fields): Instrument
    {
        return Whole::read($fields, fn (Fields $all): Instrument => $this->instrumentOf($all));
    }

    private function instrumentOf(Fields $fields): Instrument
    {
        $family = $fields->text('family');
        $format = $this->formats->find($family) ?? throw new InvalidRecord(
            $fields->at('family'),
            \sprintf('there is no family of instruments "%s".', $family),
        );

        $traits = EntryReader::read($fields, UnitEntries::of($format));
        if ($format instanceof ExaminesUnits) {
            $format->checkInstrument($fields, $traits);
        }

        return new Instrument(
            $fields->id('id'),
            $family,
            $fields->text('model'),
            Certificates::of($fields)->standing(fn (Fields $certificate): Certificate => $this->certificate($certificate, null)),
            $traits,
            $fields->optionalText('serial', 40),
            $this->upkeep(
                $fields,
                $this->formats->routines($family),
                new Recalls(RecallList::of($fields)->standing($this->unitRecall(...))),
            ),
        );
    }

    public function reference(Fields $fields): Reference
    {
        return Whole::read($fields, fn (Fields $all): Reference => $this->referenceOf($all));
    }

    private function referenceOf(Fields $fields): Reference
    {
        $name = $fields->text('kind');
        $kind = $this->formats->referenceKind($name) ?? throw new InvalidRecord(
            $fields->at('kind'),
            \sprintf(
                'there is no kind of reference "%s"; there are %s.',
                $name,
                implode(', ', array_keys($this->formats->referenceKinds())),
            ),
        );

        return new Reference(
            $fields->id('id'),
            $name,
            $fields->text('model'),
            Certificates::of($fields)->standing(fn (Fields $certificate): Certificate => $this->certificate($certificate, $kind)),
            new Recalls(RecallList::of($fields)->standing(fn (Fields $recall): Recall => $this->recall($recall, $kind))),
            EntryReader::read($fields, $kind->entries),
            $this->upkeep($fields, CommonRoutine::cases()),
        );
    }

    /** @param list<Routine> $routines what is done to it again and again */
    private function upkeep(Fields $fields, array $routines, Recalls $recalls = new Recalls()): Upkeep
    {
        return new Upkeep(
            $this->intervals($fields, $routines),
            array_map($this->kitCorrection(...), $fields->objects('corrections')),
            $recalls,
        );
    }

    /** @param list<Routine> $routines what is done to it again and again */
    private function intervals(Fields $fields, array $routines): OwnIntervals
    {
        return new OwnIntervals(array_map(
            fn (Fields $interval): OwnInterval => $this->interval($interval, $routines),
            $fields->objects('intervals'),
        ));
    }

    /** @param list<Routine> $routines what is done again and again to that which it is of */
    public function interval(Fields $fields, array $routines): OwnInterval
    {
        return Whole::read($fields, fn (Fields $all): OwnInterval => $this->intervalOf($all, $routines));
    }

    /** @param list<Routine> $routines what is done again and again to that which it is of */
    private function intervalOf(Fields $fields, array $routines): OwnInterval
    {
        $routine = $fields->oneOf('routine', ...array_map(static fn (Routine $one): string => $one->id(), $routines))
            ?? throw new InvalidRecord($fields->at('routine'), 'is missing.');
        $unit = $fields->choice('unit', IntervalUnit::class);
        $length = $fields->decimal('every', '0');
        try {
            $interval = Interval::of($length, $unit);
        } catch (InvalidInterval $problem) {
            throw new InvalidRecord($fields->at('every'), $problem->getMessage());
        }

        return new OwnInterval($routine, $interval, $fields->day('since'), $fields->text('source'), $fields->text('by'));
    }

    /** That a unit itself was found wrong; no error of it is ever taken out of what it showed. */
    public function unitRecall(Fields $fields): Recall
    {
        return Whole::read($fields, fn (Fields $all): Recall => new Recall(...$this->recalled($all)));
    }

    public function recall(Fields $fields, ReferenceKind $kind): Recall
    {
        return Whole::read($fields, fn (Fields $all): Recall => $this->recallOf($all, $kind));
    }

    /** @return array{\DateTimeImmutable, \DateTimeImmutable|null, string} since when, until when, and why */
    private function recalled(Fields $fields): array
    {
        $since = $fields->moment('since');
        $until = $fields->optionalMoment('until');
        if ($until !== null && $until < $since) {
            throw new InvalidRecord($fields->at('until'), 'must be after its beginning.');
        }

        return [$since, $until, $fields->text('reason')];
    }

    private function recallOf(Fields $fields, ReferenceKind $kind): Recall
    {
        $recalled = $this->recalled($fields);
        $error = $fields->optionalDecimal('error', '-90', '1000');
        if ($error !== null && $kind->error === null) {
            throw new InvalidRecord(
                $fields->at('error'),
                \sprintf('cannot be taken out where a reference is a %s: only that it is not known can be said.', lcfirst($kind->title)),
            );
        }

        return new Recall(...$recalled, error: $error, unit: $error === null ? null : $kind->error);
    }

    /** @param ReferenceKind|null $kind what its reference is; null for a certificate of a unit */
    public function certificate(Fields $fields, ?ReferenceKind $kind): Certificate
    {
        return Whole::read($fields, fn (Fields $all): Certificate => $this->certificateOf($all, $kind));
    }

    /** @param ReferenceKind|null $kind what its reference is; null for a certificate of a unit */
    private function certificateOf(Fields $fields, ?ReferenceKind $kind): Certificate
    {
        $issued = $fields->day('issued');
        $due = $fields->day('due');
        if ($due < $issued) {
            throw new InvalidRecord($fields->at('due'), 'is before the day of issue.');
        }

        $least = $kind->table->least ?? '-1000000';
        $most = $kind->table->most ?? '1000000';
        $values = array_map(static fn (Fields $value): CertifiedValue => new CertifiedValue(
            $value->decimal('nominal', $least, $most),
            $value->decimal('certified', $least, $most),
            $value->optionalDecimal('uncertainty', '0', '1000'),
            EntryReader::read($value, $kind->table->beside ?? []),
        ), $fields->objects('values'));
        $constants = EntryReader::read($fields, $kind->constants ?? []);
        $corrects = $fields->optionalObject(Certificates::CORRECTS);

        return new Certificate(
            $fields->text('number'),
            $fields->text('laboratory'),
            $issued,
            $due,
            $values,
            $constants,
            $corrects === null ? null : $this->kitCorrection($corrects),
        );
    }

    private function kitCorrection(Fields $fields): KitCorrection
    {
        return new KitCorrection(
            $this->told($fields->moment('at')),
            $fields->text('by'),
            $fields->text('reason'),
            array_map(static fn (Fields $change): array => [
                'label' => $change->text('label'),
                'was' => $change->optionalText('was', 2000) ?? '',
                'is' => $change->optionalText('is', 2000) ?? '',
            ], $fields->objects('changes')),
        );
    }

    /** @param ContentFormat $format what the family of its instrument writes down */
    public function check(Fields $fields, ContentFormat $format): Check
    {
        TakenEntries::refuse($fields);
        $aside = $fields->optionalObject('setAside');
        $inPlaceOf = $fields->optionalObject('inPlaceOf');
        $away = $fields->optionalObject('away');
        $steps = [];
        foreach ($fields->map('steps') as $step => $state) {
            $steps[$step] = StepState::tryFrom(\is_string($state) ? $state : '') ?? throw new InvalidRecord(
                $fields->at('steps').'/'.$step,
                'must be done, skipped or not applicable.',
            );
        }

        $reasons = [];
        foreach ($fields->map('stepReasons') as $step => $reason) {
            $reasons[$step] = \is_string($reason) && trim($reason) !== '' && mb_strlen($reason) <= 2000
                ? $reason
                : throw new InvalidRecord(
                    $fields->at('stepReasons').'/'.$step,
                    'says why the step does not apply, in at most 2000 characters.',
                );
        }

        return new Check(
            $fields->id('id'),
            $fields->id('instrument'),
            $this->told($fields->moment('at')),
            $fields->optionalText('reference', 40),
            $format->readCheck($fields),
            new Walk($steps, $reasons, $fields->flag('brokenOff'), $this->pace($fields), OwnSteps::read($fields)),
            new CheckNotes(
                $fields->text('by'),
                $fields->optionalText('remarks', 2000) ?? '',
                $aside === null ? null : new SetAside($aside->moment('at'), $aside->text('by'), $aside->text('reason')),
                array_map(
                    static fn (Fields $typed): Typed => new Typed($typed->text('by'), $typed->texts('fields')),
                    $fields->objects('typedBy'),
                ),
                $inPlaceOf === null ? null : $this->inPlaceOf($inPlaceOf),
                $away === null ? null : $this->away($away),
            ),
        );
    }

    private function pace(Fields $fields): Pace
    {
        return new Pace(
            $this->moments($fields, 'stepTimes'),
            $this->moments($fields, 'stepWaits'),
            array_map(static fn (Fields $press): array => $press->texts('steps'), $fields->objects('together')),
            $fields->texts('round'),
        );
    }

    /** @return array<string, \DateTimeImmutable> by step */
    private function moments(Fields $fields, string $name): array
    {
        $moments = [];
        foreach (array_keys($fields->map($name)) as $step) {
            $moments[$step] = $this->told($fields->object($name)->moment($step));
        }

        return $moments;
    }

    private function away(Fields $fields): Away
    {
        return new Away(
            $this->told($fields->moment('brought')),
            (int) ($fields->optionalNumber('ahead', -1e9, 1e9) ?? throw new InvalidRecord($fields->at('ahead'), 'is missing.')),
            $fields->optionalText('why', 2000) ?? '',
        );
    }

    public function inPlaceOf(Fields $fields): InPlaceOf
    {
        $how = $fields->choice('how', Provenance::class);
        if ($how->wasTaken()) {
            throw new InvalidRecord($fields->at('how'), 'must say how a person knows it.');
        }

        return new InPlaceOf(
            $fields->id('check'),
            $fields->id('instrument'),
            $this->told($fields->moment('at')),
            $fields->text('by'),
            $fields->text('reason'),
            $how,
        );
    }

    /** @param string $family of the instrument */
    public function intervention(Fields $fields, string $family): Intervention
    {
        return Whole::read($fields, fn (Fields $all): Intervention => $this->interventionOf($all, $family));
    }

    /** @param string $family of the instrument */
    private function interventionOf(Fields $fields, string $family): Intervention
    {
        return new Intervention(
            $fields->id('id'),
            $fields->id('instrument'),
            $this->told($fields->moment('at')),
            $this->interventionKind($fields, $family),
            $fields->text('by'),
            $fields->optionalText('note', 2000) ?? '',
            $fields->optionalText('channel', 40),
        );
    }

    /** Of the instrument's own family, else of any: a record may tell more than a family asks for today. */
    private function interventionKind(Fields $fields, string $family): InterventionKind
    {
        $kinds = [];
        foreach ([...$this->formats->interventions(), ...$this->formats->of($family)->interventions()] as $kind) {
            $kinds[$kind->id()] = $kind;
        }
        $name = $fields->oneOf('kind', ...array_map(strval(...), array_keys($kinds)));

        return $kinds[$name ?? ''] ?? throw new InvalidRecord($fields->at('kind'), 'is missing.');
    }

    private function remarkKind(Fields $fields): RemarkKind
    {
        $kinds = [];
        foreach ($this->formats->remarks() as $kind) {
            $kinds[$kind->id()] = $kind;
        }
        $name = $fields->oneOf('kind', ...array_map(strval(...), array_keys($kinds)));

        return $kinds[$name ?? ''] ?? throw new InvalidRecord($fields->at('kind'), 'is missing.');
    }

    /**
     * @param RunContent     $content what the run brought home, already read by its family
     * @param LogOrigin|null $origin  of its log
     */
    public function run(Fields $fields, RunContent $content, ?LogOrigin $origin = null): Run
    {
        $offset = $fields->optionalNumber('clockOffsetSeconds', -864000, 864000);
        // Whoever reads times off the unit reads all of them there.
        $late = $fields->oneOf('timesFrom', 'watch', 'unit') === 'unit' && $offset !== null ? -$offset : 0.0;
        $right = fn (\DateTimeImmutable $moment): \DateTimeImmutable => $this->told($late === 0.0 ? $moment : Span::shift($moment, $late));
        $start = $right($fields->moment('start'));
        $stop = $fields->has('stop') ? $right($fields->moment('stop')) : null;
        if ($stop !== null && $stop <= $start) {
            throw new InvalidRecord($fields->at('stop'), 'must be after the start.');
        }
        $declaration = $fields->optionalObject('declaration');
        $rest = $fields->optionalObject('restOfDay');
        $word = $fields->optionalObject('logWord');
        $despite = $fields->optionalObject('despite');
        $withdrawn = $fields->optionalObject('withdrawn');

        return new Run(
            $fields->id('id'),
            new Deployment(
                $fields->id('instrument'),
                $fields->text('person'),
                $fields->text('task'),
                $fields->optionalText('place') ?? '',
                $fields->flag('ofPlace'),
            ),
            new Timing(
                $start,
                $stop,
                array_map(fn (Fields $pause): Span => $this->span($pause, $right), $fields->objects('pauses')),
                $offset,
                $fields->optionalNumber('plannedMinutes', 1, 10080),
                $fields->optionalNumber('timerMinutes', 0, 10080),
            ),
            new WorkingDay(
                $fields->optionalNumber('shiftMinutes', 1, 1440),
                $fields->optionalText('shift', 60),
                $rest === null ? null : new RestOfDay(self::restIsAsSampled($rest), $rest->text('reason'), $rest->text('by')),
            ),
            $content,
            new RunNotes(
                array_map(
                    fn (Fields $remark): Remark => new Remark(
                        $this->remarkKind($remark),
                        $remark->has('at') ? $right($remark->moment('at')) : null,
                        $remark->optionalText('note', 2000) ?? '',
                    ),
                    $fields->objects('remarks'),
                ),
                array_map(fn (Fields $out): Exclusion => $this->exclusion($out, $right), $fields->objects('exclusions')),
                array_map(fn (Fields $in): Exclusion => $this->exclusion($in, $right), $fields->objects('leftIn')),
                $declaration === null
                    ? null
                    : new Declaration($declaration->id('check'), $declaration->text('by'), $declaration->text('reason')),
                $despite === null
                    ? null
                    : new BegunDespite($despite->text('reason'), $despite->text('by'), $despite->texts('against')),
                array_map($this->correction(...), $fields->objects('corrections')),
                $withdrawn === null
                    ? null
                    : new Withdrawn(
                        $this->told($withdrawn->moment('at')),
                        $withdrawn->text('by'),
                        $withdrawn->optionalText('reason', 2000) ?? '',
                    ),
            ),
            new LogSource(
                $origin,
                $word === null ? null : new LogWord($word->flag('isOwn'), $word->text('reason'), $word->text('by')),
            ),
        );
    }

    private function correction(Fields $fields): RunCorrection
    {
        return new RunCorrection(
            $fields->text('what'),
            $fields->optionalText('was', 2000) ?? '',
            $fields->optionalText('is', 2000) ?? '',
            $fields->text('by'),
            $this->told($fields->moment('at')),
            $fields->optionalText('reason', 2000) ?? '',
        );
    }

    private static function restIsAsSampled(Fields $rest): bool
    {
        return match ($rest->word('was')) {
            'as sampled' => true,
            'nothing' => false,
            default => throw new InvalidRecord($rest->at('was'), 'must be "as sampled" or "nothing".'),
        };
    }

    public function yardsticks(Fields $fields): Yardsticks
    {
        return new Yardsticks(
            array_map($this->criterion(...), $fields->objects('criteria')),
            array_map(static fn (Fields $limit): ExposureLimit => new ExposureLimit(
                $limit->id('id'),
                $limit->text('title'),
                $limit->text('quantity'),
                new Threshold(
                    $limit->decimal('value'),
                    $limit->optionalText('unit') ?? '',
                    $limit->choice('comparator', ExposureComparator::class),
                    $limit->optionalDecimal('lelBasis', '0.1', '100'),
                ),
                $limit->optionalText('scope') ?? '',
                new Source($limit->text('source'), $limit->choice('mark', SourceMark::class)),
                $limit->optionalText('mixture', 60) ?? '',
            ), $fields->objects('limits')),
        );
    }

    private function criterion(Fields $fields): Criterion
    {
        foreach ($this->formats->all() as $format) {
            if ($format instanceof HasCriteria && $format->knowsCriterion($fields)) {
                return $format->readCriterion($fields);
            }
        }

        throw new InvalidRecord($fields->path, 'is no criterion that a family of instruments knows.');
    }

    /** @param \Closure(\DateTimeImmutable): \DateTimeImmutable $right sets a moment as it was read right */
    private function exclusion(Fields $said, \Closure $right): Exclusion
    {
        return new Exclusion($this->span($said, $right), $said->text('reason'), $said->text('by'));
    }

    /** @param \Closure(\DateTimeImmutable): \DateTimeImmutable $right sets a moment as it was read right */
    private function span(Fields $fields, \Closure $right): Span
    {
        $from = $fields->moment('from');
        $to = $fields->moment('to');
        if ($to <= $from) {
            throw new InvalidRecord($fields->at('to'), 'must be after the beginning.');
        }

        return new Span($right($from), $right($to));
    }

    private function told(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        return $this->zone === null ? $moment : $moment->setTimezone($this->zone);
    }
}
