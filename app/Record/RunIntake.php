<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\RecordedRun;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Runs\LogKeeper;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Record\Fields;
use Symfony\Component\Uid\Ulid;

/** The runs of a record and their logs. */
final readonly class RunIntake
{
    public function __construct(private Intake $intake, private LogKeeper $logs)
    {
    }

    /**
     * @param array<int|string, Run> $read the runs of the record by their number
     *
     * @return list<RunState> where each of them stands
     */
    public function take(Fields $record, array $read, RecordFile $file, string $campaign, string $actor): array
    {
        $zone = new \DateTimeZone($record->object('site')->text('timeZone'));
        $states = [];
        foreach ($record->objects('runs') as $item) {
            $run = $read[$item->id('id')];
            $written = $item->data();
            $log = $item->optionalObject('log');
            $stored = (string) new Ulid();
            if ($log !== null) {
                $written['log'] = ['stored' => $stored];
            }
            $recorded = new RecordedRun(
                $run->id,
                $run->deployment->instrument,
                $campaign,
                Intake::utc($item->moment('start')),
                $written,
                $actor,
                $this->intake->now(),
            );
            $this->intake->addNew($recorded, $item);
            $state = RunState::of($run, $campaign, $written);
            $this->intake->add($state);
            $states[] = $state;
            if ($log !== null) {
                $name = $log->text('file');
                $start = $log->optionalMoment('start');
                $format = $log->object('format');
                $path = $file->log($name);
                foreach ($this->logs->read($stored, $run->id, basename($name), $path, $format, $start, $zone, $actor) as $row) {
                    $this->intake->add($row);
                }
            }
        }

        return $states;
    }
}
