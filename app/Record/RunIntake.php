<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\RecordedRun;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Runs\LogKeeper;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Evidence\NothingBrought;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Symfony\Component\Uid\Ulid;

/** The runs of a record and their logs. */
final readonly class RunIntake
{
    public function __construct(private Intake $intake, private LogKeeper $logs, private EvidenceReader $evidence)
    {
    }

    /** @return list<RunState> where each of them stands */
    public function take(Fields $record, RecordFile $file, string $campaign, string $actor): array
    {
        $zone = new \DateTimeZone($record->object('site')->text('timeZone'));
        $states = [];
        foreach ($record->objects('runs') as $place => $item) {
            $this->intake->inBatches($place);
            $this->intake->mustBeNew(RecordedRun::class, $item);
            $written = $item->data();
            $log = $item->optionalObject('log');
            $stored = (string) new Ulid();
            if ($log !== null) {
                $written['log'] = ['stored' => $stored];
            }
            $run = new RecordedRun(
                $item->id('id'),
                $item->id('instrument'),
                $campaign,
                Intake::utc($item->moment('start')),
                $written,
                $actor,
                $this->intake->now(),
            );
            $this->intake->add($run);
            $states[] = $this->state($run, $item, $written);
            if ($log !== null) {
                $this->intake->flush();
                $name = $log->text('file');
                $this->logs->keep(
                    $stored,
                    $item->id('id'),
                    basename($name),
                    $file->log($name),
                    $log->object('format'),
                    $log->optionalMoment('start'),
                    $zone,
                    $actor,
                );
            }
        }
        // The logbook knows a run before where it stands.
        $this->intake->flush();
        foreach ($states as $place => $state) {
            $this->intake->inBatches($place);
            $this->intake->add($state);
        }
        $this->intake->flush();

        return $states;
    }

    /** @param array<string, mixed> $written */
    private function state(RecordedRun $run, Fields $item, array $written): RunState
    {
        $read = $this->evidence->run($item, new NothingBrought());
        $state = RunState::of($run, $read->timing->start, $read->deployment->person);
        $state->learn($read->timing->stop, $written);

        return $state;
    }
}
