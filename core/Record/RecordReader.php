<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Elsewhere;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\RecordedChronicle;
use Footnote\Core\Evidence\RecordedElsewhere;
use Footnote\Core\Evidence\RecordedReferences;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnitName;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogFile;

/** Reads a whole record: references, instruments, checks, interventions, runs and their logs. */
final readonly class RecordReader
{
    private EvidenceReader $evidence;

    public function __construct(private Formats $formats)
    {
        $this->evidence = new EvidenceReader($formats);
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
        $checks = $this->each($fields, 'checks', function (Fields $item) use ($family, $references, $reader): Check {
            $check = $reader->check($item, $this->formats->of($family($item)));
            $this->formats->refuseForeign($family($item), $item);
            foreach (array_filter([$check->reference, ...$check->content->leansOn()], \is_string(...)) as $named) {
                if (!isset($references[$named])) {
                    throw new InvalidRecord($item->at('reference'), \sprintf('"%s" is not among the references.', $named));
                }
            }

            return $check;
        });
        $interventions = $this->each(
            $fields,
            'interventions',
            static fn (Fields $item): Intervention => $reader->intervention($item, $family($item)),
        );
        $written = $this->formats->logFormats();
        $library = RecordLibrary::of($fields, $this->formats->shelves());
        $laboratory = RecordLaboratory::of($fields);
        $readRun = function (Fields $item) use ($family, $logs, $zone, $library, $laboratory, $written, $reader): Run {
            $log = $item->optionalObject('log');
            $file = $log === null ? null : $logs($log->text('file'));
            $skip = (int) ($log?->object('format')->optionalNumber('skip', 0, 1000) ?? 0);
            $around = new RunSurroundings($zone, $library, $laboratory, $written, $file?->origin($skip), $file);

            $run = $reader->run($item, $this->formats->of($family($item))->readRun($item, $around), $around->origin);
            $this->formats->refuseForeign($family($item), $item);

            return $run;
        };
        $runs = $this->each($fields, 'runs', $readRun);
        $this->noOverlap($runs);

        $timelines = [];
        foreach ($instruments as $id => $instrument) {
            $own = static fn (Check|Intervention $item): bool => $item->instrument === $id;
            $timelines[$id] = new Timeline(
                $instrument,
                new RecordedChronicle(
                    array_values(array_filter($checks, $own)),
                    array_values(array_filter($interventions, $own)),
                    array_values(array_filter($runs, static fn (Run $run): bool => $run->deployment->instrument === $id)),
                ),
                new RecordedReferences($references),
                self::elsewhere($instrument, $instruments, $runs),
            );
        }
        $campaign = $fields->object('campaign');
        $campaign->id('code');
        $campaign->text('title');
        $fields->object('site')->text('name');
        // What nobody asked for is told last: a reader says more of what is wrong with what it knows.
        (new Strangers(new RecordSchema($this->formats)))->inRecord($data);

        return new RecordedCampaign($timelines, $this->yardsticks($campaign), $fields->raw('policy') ?? 'standard', $zone);
    }

    /**
     * @param array<int|string, Instrument> $instruments
     * @param list<Run>                     $runs
     */
    private static function elsewhere(Instrument $unit, array $instruments, array $runs): Elsewhere
    {
        return new RecordedElsewhere(
            $runs,
            array_map(
                static fn (Instrument $other): UnitName => new UnitName($other->id, $other->serial),
                array_values(array_filter($instruments, static fn (Instrument $other): bool => $other->id !== $unit->id)),
            ),
        );
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
     * @param list<Run> $runs
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
                throw new InvalidRecord("/runs/$place/start", \sprintf('run %s overlaps run %s on the same unit.', $run->id, $before->id));
            }
            $before = $run;
        }
    }
}
