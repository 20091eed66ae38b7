<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\RecordedChronicle;
use Footnote\Core\Evidence\RecordedElsewhere;
use Footnote\Core\Evidence\RecordedReferences;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\RunsWithLogs;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnitName;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogFile;

/** Reads a whole record: references, instruments, checks, interventions, runs and their logs. */
final readonly class RecordReader
{
    private EvidenceReader $evidence;
    private AskedByFamily $asked;

    public function __construct(private Formats $formats)
    {
        $this->evidence = new EvidenceReader($formats);
        $this->asked = new AskedByFamily($formats);
    }

    /**
     * @param callable(string): LogFile $logs finds a log by the file name that the record gives
     *
     * @throws InvalidRecord naming the place
     */
    public function read(mixed $data, callable $logs): RecordedCampaign
    {
        $fields = Fields::of($data);
        if ($fields->text('format') !== RecordSchema::FORMAT) {
            throw new InvalidRecord('/format', \sprintf('must be "%s".', RecordSchema::FORMAT));
        }
        $zone = $this->zone($fields);
        $reader = $this->evidence->at($zone);
        /** @var array<string, Instrument> $instruments */
        $instruments = [];
        foreach ($fields->objects('instruments') as $item) {
            $instrument = $this->evidence->instrument($item);
            $instruments[$instrument->id] = isset($instruments[$instrument->id])
                ? throw new InvalidRecord($item->at('id'), 'stands twice.')
                : $instrument;
        }
        /** @var array<int|string, Reference> $references */
        $references = [];
        foreach ($fields->objects('references') as $item) {
            $reference = $this->evidence->reference($item);
            $references[$reference->id] = isset($references[$reference->id])
                ? throw new InvalidRecord($item->at('id'), 'stands twice.')
                : $reference;
        }
        $family = static fn (Fields $item): string => ($instruments[$item->text('instrument')] ?? throw new InvalidRecord(
            $item->at('instrument'),
            \sprintf('"%s" is not among the instruments.', $item->text('instrument')),
        ))->family;
        $checks = $this->each($fields, 'checks', function (Fields $item) use ($family, $instruments, $references, $reader): Check {
            $check = $reader->check($item, $this->formats->of($family($item)));
            $this->asked->refuseForeign($family($item), $item);
            $section = $this->formats->of($family($item))->section();
            Practice::refuse($item->object($section)->data(), $item->at($section), $instruments[$check->instrument]);
            foreach ($check->leansOn() as $named) {
                if (!isset($references[$named])) {
                    throw new InvalidRecord($item->at('reference'), \sprintf('"%s" is not among the references.', $named));
                }
            }

            return $check;
        });
        $checks = Replacements::told($checks, $fields->objects('checks'));
        $interventions = $this->each(
            $fields,
            'interventions',
            static fn (Fields $item): Intervention => $reader->intervention($item, $family($item)),
        );
        $written = $this->formats->logFormats();
        $library = RecordLibrary::of($fields, $this->formats->shelves());
        $laboratory = RecordLaboratory::of($fields);
        $readRun = function (Fields $item) use ($family, $instruments, $logs, $zone, $library, $laboratory, $written, $reader): Run {
            $log = $item->optionalObject('log');
            $file = $log === null ? null : $logs($log->text('file'));
            $skip = (int) ($log?->object('format')->optionalNumber('skip', 0, 1000) ?? 0);
            $around = new RunSurroundings($zone, $library, $laboratory, $written, $file?->origin($skip), $file);

            $run = $reader->run($item, $this->formats->of($family($item))->readRun($item, $around), $around->origin);
            $this->asked->refuseForeign($family($item), $item);
            Practice::refuseReports($item, $laboratory, $instruments[$run->deployment->instrument]);

            return $run;
        };
        $runs = $this->each($fields, 'runs', $readRun);
        self::decided($fields, $runs);
        $counting = array_filter($runs, static fn (Run $run): bool => $run->notes->withdrawn === null);
        $this->noOverlap($counting);
        $everyRun = $runs;
        $runs = array_values($counting);

        $timelines = [];
        $logged = new RunsWithLogs($runs);
        $names = array_map(static fn (Instrument $unit): UnitName => new UnitName($unit->id, $unit->serial), $instruments);
        $checksOf = self::byUnit($checks, static fn (Check $one): string => $one->instrument);
        $interventionsOf = self::byUnit($interventions, static fn (Intervention $one): string => $one->instrument);
        $runsOf = self::byUnit($runs, static fn (Run $one): string => $one->deployment->instrument);
        foreach ($instruments as $id => $instrument) {
            $timelines[$id] = new Timeline(
                $instrument,
                RecordedChronicle::of($checksOf[$id] ?? [], $interventionsOf[$id] ?? [], $runsOf[$id] ?? []),
                new RecordedReferences($references),
                new RecordedElsewhere($logged, array_values(array_diff_key($names, [$id => null]))),
            );
        }
        $campaign = $fields->object('campaign');
        $campaign->id('code');
        $campaign->text('title');
        $fields->object('site')->text('name');
        // What nobody asked for is told last: a reader says more of what is wrong with what it knows.
        Strangers::toRecord($this->formats)->in($data);

        $policy = $fields->raw('policy') ?? 'standard';

        return new RecordedCampaign($timelines, $this->yardsticks($campaign), $policy, $zone, $checks, $everyRun);
    }

    /**
     * What was decided stands for itself: it is carried, and no sum reads it.
     *
     * @param list<Run> $runs
     */
    private static function decided(Fields $record, array $runs): void
    {
        $names = array_map(static fn (Run $run): string => $run->id, $runs);
        foreach ($record->objects('decisions') as $item) {
            $item->moment('at');
            if (!\in_array($item->id('run'), $names, true)) {
                throw new InvalidRecord($item->at('run'), \sprintf('"%s" is not among the runs.', $item->id('run')));
            }
        }
    }

    /**
     * @template T
     *
     * @param list<T>             $items
     * @param callable(T): string $unit
     *
     * @return array<int|string, non-empty-list<T>>
     */
    private static function byUnit(array $items, callable $unit): array
    {
        $by = [];
        foreach ($items as $item) {
            $by[$unit($item)][] = $item;
        }

        return $by;
    }

    public function yardsticks(Fields $campaign): Yardsticks
    {
        return $this->evidence->yardsticks($campaign);
    }

    private function zone(Fields $fields): \DateTimeZone
    {
        $name = $fields->object('site')->text('timeZone');
        try {
            return new \DateTimeZone($name);
        } catch (\Exception) {
            throw new InvalidRecord('/site/timeZone', \sprintf('"%s" is not a time zone such as Europe/London.', $name));
        }
    }

    /**
     * @template T of Check|Intervention|Run
     *
     * @param callable(Fields): T $read
     *
     * @return list<T>
     */
    private function each(Fields $fields, string $name, callable $read): array
    {
        $items = [];
        foreach ($fields->objects($name) as $item) {
            $one = $read($item);
            $items[$one->id] = isset($items[$one->id]) ? throw new InvalidRecord($item->at('id'), 'stands twice.') : $one;
        }

        return array_values($items);
    }

    /**
     * One unit measures one thing at a time.
     *
     * @param array<int, Run> $runs by their place in the record
     */
    private function noOverlap(array $runs): void
    {
        $order = array_keys($runs);
        usort(
            $order,
            static fn (int $a, int $b): int => [
                $runs[$a]->deployment->instrument,
                $runs[$a]->timing->start,
            ] <=> [$runs[$b]->deployment->instrument, $runs[$b]->timing->start],
        );
        $before = null;
        foreach ($order as $place) {
            $run = $runs[$place];
            if ($before !== null
                && $before->deployment->instrument === $run->deployment->instrument
                && ($before->timing->stop === null || $before->timing->stop > $run->timing->start)) {
                throw new InvalidRecord(
                    "/runs/$place/start",
                    \sprintf('run %s overlaps run %s on the same instrument.', $run->id, $before->id),
                );
            }
            $before = $run;
        }
    }
}
