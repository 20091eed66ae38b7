<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\RecordedRun;
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

    public function take(Fields $record, RecordFile $file, string $campaign, string $actor): void
    {
        $zone = new \DateTimeZone($record->object('site')->text('timeZone'));
        foreach ($record->objects('runs') as $place => $item) {
            $this->intake->inBatches($place);
            $this->intake->mustBeNew(RecordedRun::class, $item);
            $written = $item->data();
            $log = $item->optionalObject('log');
            $stored = (string) new Ulid();
            if ($log !== null) {
                $written['log'] = ['stored' => $stored];
            }
            $this->intake->add($this->run($item, $written, $campaign, $actor));
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
    }

    /** @param array<string, mixed> $written */
    private function run(Fields $item, array $written, string $campaign, string $actor): RecordedRun
    {
        $run = new RecordedRun(
            $item->id('id'),
            $item->id('instrument'),
            $campaign,
            Intake::utc($item->moment('start')),
            $written,
            $actor,
            $this->intake->now(),
            RecordedRun::shiftOf($this->evidence->run($item, new NothingBrought())->deployment->person, $campaign),
        );
        $stop = $item->optionalMoment('stop');
        if ($stop !== null) {
            $run->stop($stop);
        }

        return $run;
    }
}
