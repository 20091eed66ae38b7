<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\CheckLeaning;
use Footnote\App\Logbook\Row\KeptBlank;
use Footnote\App\Logbook\Row\LaboratoryReport;
use Footnote\App\Logbook\Row\LaboratoryRow;
use Footnote\App\Logbook\Row\LibraryEntry;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Logbook\Row\RecordedIntervention;
use Footnote\App\Logbook\Row\RecordedRecall;
use Footnote\App\Logbook\Row\RecordedRun;
use Footnote\App\Logbook\Row\RecordedSetAside;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Logbook\ShippedPolicies;
use Footnote\App\Logbook\ShipPolicies;
use Footnote\App\Logbook\Workings;
use Footnote\App\Runs\LogKeeper;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Evidence\NothingBrought;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** Takes a record into the logbook: all of it in one transaction, or none. */
final readonly class Importer
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private ClockInterface $clock,
        private LogKeeper $logs,
        private ShipPolicies $ship,
        private EvidenceReader $evidence,
        private Workings $workings,
        private Formats $families,
    ) {
    }

    /**
     * @return array{instruments: int, references: int, checks: int, runs: int}
     *
     * @throws InvalidRecord naming the place
     */
    public function import(RecordFile $file, string $actor): array
    {
        // Read whole first, so that what is wrong is said before anything is written.
        (new RecordReader($this->families))->read($file->data, $file->logFile(...));
        $fields = Fields::of($file->data);
        $counts = ['instruments' => 0, 'references' => 0, 'checks' => 0, 'runs' => 0];
        foreach (array_keys($counts) as $list) {
            $counts[$list] = \count($fields->objects($list));
        }

        return $this->journal->during(
            $actor,
            'record imported',
            ['sha256' => $file->sha256, 'file' => basename($file->path), ...$counts],
            function () use ($fields, $file, $actor, $counts): array {
                $now = $this->clock->now();
                ($this->ship)($actor);
                foreach ($fields->objects('instruments') as $item) {
                    $id = $item->id('id');
                    if ($this->entities->find(RegisteredInstrument::class, $id) === null) {
                        $this->entities->persist(
                            new RegisteredInstrument($id, $item->text('family'), $this->without($item, 'certificates'), $actor, $now),
                        );
                        $this->entities->flush();
                        foreach ($item->objects('certificates') as $certificate) {
                            $this->entities->persist(new AddedCertificate($id, null, $this->without($certificate), $actor, $now));
                        }
                    }
                }
                foreach ($fields->objects('references') as $item) {
                    $id = $item->id('id');
                    if ($this->entities->find(RegisteredReference::class, $id) === null) {
                        $record = $this->without($item, 'certificates', 'recalls');
                        $this->entities->persist(new RegisteredReference($id, $item->text('kind'), $record, $actor, $now));
                        $this->entities->flush();
                        foreach ($item->objects('certificates') as $certificate) {
                            $this->entities->persist(new AddedCertificate(null, $id, $this->without($certificate), $actor, $now));
                        }
                        foreach ($item->objects('recalls') as $recall) {
                            $this->entities->persist(new RecordedRecall($id, $this->without($recall), $actor, $now));
                        }
                    }
                }
                $campaign = $fields->object('campaign');
                $code = $campaign->id('code');
                if ($this->entities->find(Campaign::class, $code) === null) {
                    $made = new Campaign(
                        $code,
                        $campaign->text('title'),
                        $fields->object('site')->text('name'),
                        $fields->object('site')->text('timeZone'),
                    );
                    $made->measureAgainst(['criteria' => $campaign->raw('criteria') ?? [], 'limits' => $campaign->raw('limits') ?? []]);
                    $policy = $fields->raw('policy') ?? 'standard';
                    $made->judgeBy(
                        (\is_string($policy) && \in_array($policy, ShippedPolicies::ALL, true) ? $policy : throw new InvalidRecord(
                            '/policy',
                            'must name a shipped policy to be imported.',
                        )).'-1',
                        false,
                    );
                    $this->entities->persist($made);
                }
                $this->entities->flush();
                $this->library($fields, $actor);
                $this->laboratory($fields, $code, $actor);
                $families = [];
                foreach ($fields->objects('instruments') as $item) {
                    $families[$item->id('id')] = $item->text('family');
                }
                $leans = fn (Fields $item): array => array_values(
                    array_unique(
                        array_filter(
                            [
                                $item->optionalText('reference'),
                                ...$this->families->of($families[$item->id('instrument')] ?? '')->readCheck($item)->leansOn(),
                            ],
                            \is_string(...),
                        ),
                    ),
                );
                $leaning = [];
                foreach ($fields->objects('checks') as $place => $item) {
                    $this->inBatches($place);
                    $this->mustBeNew(RecordedCheck::class, $item);
                    $this->entities->persist(
                        new RecordedCheck(
                            $item->id('id'),
                            $item->id('instrument'),
                            $item->optionalText('reference'),
                            self::utc($item->moment('at')),
                            $this->without($item, 'setAside'),
                            $actor,
                            $now,
                        ),
                    );
                    foreach ($leans($item) as $reference) {
                        $leaning[] = [$item->id('id'), $reference];
                    }
                    $aside = $item->optionalObject('setAside');
                    if ($aside !== null) {
                        $this->entities->flush();
                        $this->entities->persist(new RecordedSetAside($item->id('id'), $this->without($aside), $actor, $now));
                    }
                }
                // The logbook knows a check before what it leans on.
                $this->entities->flush();
                foreach ($leaning as $place => [$check, $reference]) {
                    $this->inBatches($place);
                    $this->entities->persist(new CheckLeaning($check, $reference));
                }
                foreach ($fields->objects('interventions') as $item) {
                    $this->mustBeNew(RecordedIntervention::class, $item);
                    $this->entities->persist(
                        new RecordedIntervention(
                            $item->id('id'),
                            $item->id('instrument'),
                            self::utc($item->moment('at')),
                            $this->without($item),
                            $actor,
                            $now,
                        ),
                    );
                }
                foreach ($fields->objects('runs') as $place => $item) {
                    $this->inBatches($place);
                    $this->mustBeNew(RecordedRun::class, $item);
                    $record = $this->without($item);
                    $log = $item->optionalObject('log');
                    $stored = (string) new Ulid();
                    if ($log !== null) {
                        $record['log'] = ['stored' => $stored];
                    }
                    $run = new RecordedRun(
                        $item->id('id'),
                        $item->id('instrument'),
                        $code,
                        self::utc($item->moment('start')),
                        $record,
                        $actor,
                        $now,
                        RecordedRun::shiftOf($this->evidence->run($item, new NothingBrought())->deployment->person, $code),
                    );
                    $stop = $item->optionalMoment('stop');
                    if ($stop !== null) {
                        $run->stop($stop);
                    }
                    $this->entities->persist($run);
                    if ($log !== null) {
                        $this->entities->flush();
                        $name = $log->text('file');
                        $this->logs->keep(
                            $stored,
                            $run->id,
                            basename($name),
                            $file->log($name),
                            $log->object('format'),
                            $log->optionalMoment('start'),
                            new \DateTimeZone($fields->object('site')->text('timeZone')),
                            $actor,
                        );
                    }
                }

                $this->forget($fields);

                return $counts;
            },
        );
    }

    /** What was worked out of units that a record brings evidence on, and of samples that it brings word of, goes. */
    private function forget(Fields $fields): void
    {
        $this->entities->flush();
        $touched = [];
        foreach (['checks', 'interventions', 'runs'] as $list) {
            foreach ($fields->objects($list) as $item) {
                $touched['='.$item->id('instrument')] = $item->id('instrument');
            }
        }
        foreach ($touched as $instrument) {
            $this->workings->forgetInstrument($instrument);
        }
        $media = [];
        foreach ($fields->objects('laboratory') as $report) {
            foreach ($report->objects('rows') as $row) {
                $media[] = $row->text('medium');
            }
        }
        $this->workings->forgetMedia($media);
        $this->workings->forgetSharedLogs();
        foreach ($fields->objects('instruments') as $item) {
            foreach (array_filter([$item->id('id'), $item->optionalText('serial', 40)], \is_string(...)) as $name) {
                $this->workings->forgetLogsNaming($name);
            }
        }
    }

    /** Entries of libraries; one that is here already stays as it is. */
    private function library(Fields $fields, string $actor): void
    {
        $library = $fields->optionalObject('library');
        foreach ($this->families->shelves() as $shelf) {
            foreach ($library?->objects($shelf->id) ?? [] as $item) {
                $code = $item->id('code');
                $shelf->read($item);
                if ($this->entities->find(LibraryEntry::class, ['shelf' => $shelf->id, 'code' => $code]) === null) {
                    $this->entities->persist(new LibraryEntry($shelf->id, $code, $item->data(), $actor, $this->clock->now()));
                }
            }
        }
        $this->entities->flush();
    }

    private function laboratory(Fields $fields, string $campaign, string $actor): void
    {
        foreach ($fields->objects('blanks') as $item) {
            $medium = $item->text('medium');
            if ($this->entities->find(KeptBlank::class, $medium) !== null) {
                throw new InvalidRecord($item->at('medium'), \sprintf('"%s" is in this logbook already; nothing was imported.', $medium));
            }
            $this->entities->persist(new KeptBlank($medium, $campaign, $item->data(), $actor, $this->clock->now()));
        }
        foreach ($fields->objects('laboratory') as $report) {
            $this->mustBeNew(LaboratoryReport::class, $report);
            $this->entities->persist(
                new LaboratoryReport(
                    $report->id('id'),
                    $report->text('laboratory'),
                    $this->without($report, 'rows'),
                    null,
                    '',
                    '',
                    null,
                    $actor,
                    $this->clock->now(),
                ),
            );
            $this->entities->flush();
            foreach ($report->objects('rows') as $place => $row) {
                $this->inBatches($place);
                $this->entities->persist(new LaboratoryRow($report->id('id'), $row->text('medium'), $row->text('analyte'), $row->data()));
            }
        }
        $this->entities->flush();
    }

    /** Writes and lets go of what is held, now and then: a long record must not slow down as it goes. */
    private function inBatches(int $place): void
    {
        if ($place % 200 === 0) {
            $this->entities->flush();
            $this->entities->clear();
        }
    }

    /** @param class-string $class */
    private function mustBeNew(string $class, Fields $item): void
    {
        if ($this->entities->find($class, $item->id('id')) !== null) {
            throw new InvalidRecord($item->at('id'), \sprintf('"%s" is in this logbook already; nothing was imported.', $item->id('id')));
        }
    }

    /** @return array<string, mixed> */
    private function without(Fields $fields, string ...$names): array
    {
        $data = $fields->data();
        foreach ($names as $name) {
            unset($data[$name]);
        }

        return $data;
    }

    private static function utc(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        return $moment->setTimezone(new \DateTimeZone('UTC'));
    }
}
