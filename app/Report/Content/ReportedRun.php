<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Logbook\DrawnLog;
use Footnote\App\Storage\Cells;

/** A run as a report tells of it: what was written of it, what was worked out, how it stands, and the checks under it. */
final readonly class ReportedRun
{
    /**
     * @param array<string, mixed>                      $record as it is written, with what was learned since
     * @param array<string, mixed>                      $unit   its record, with what it is in words under "about"
     * @param list<array<string, mixed>>                $checks of its bracket, in words
     * @param list<array{label: string, shown: string}> $setUp  what was written of the run beside who, where and when
     * @param list<DrawnLog>                            $logs
     */
    public function __construct(
        public array $record,
        public array $unit,
        public Stands $stands,
        public array $checks,
        public array $setUp,
        public array $logs,
        public \DateTimeZone $zone,
    ) {
    }

    public function id(): string
    {
        return Cells::text($this->record, 'id');
    }

    /** The part of a report that it is. */
    public function part(): string
    {
        return 'run:'.$this->id();
    }

    public function title(): string
    {
        return \sprintf('%s, %s', Cells::text($this->record, 'person'), Cells::text($this->record, 'task'));
    }

    /** @return array<string, mixed> the result that stands for the run; empty where there is none yet */
    public function headline(): array
    {
        foreach (Cells::rows($this->stands->body, 'results') as $result) {
            if (Cells::text($result, 'key') === Cells::text($this->stands->body, 'headline')) {
                return $result;
            }
        }

        return [];
    }

    /** "17 Nov 2026, 08:00 to 16:00" */
    public function when(): string
    {
        $start = Cells::text($this->record, 'start');
        $stop = Cells::text($this->record, 'stop');

        return Shown::moment($start, $this->zone).match (true) {
            $stop === '' => ', still running',
            Shown::day($start, $this->zone) === Shown::day($stop, $this->zone) => ' to '.Shown::clock($stop, $this->zone),
            default => ' to '.Shown::moment($stop, $this->zone),
        };
    }

    /** "DM-02 (model, serial number)" */
    public function unitWords(): string
    {
        $serial = Cells::text($this->unit, 'serial');

        return \sprintf(
            '%s (%s)',
            Cells::text($this->record, 'instrument'),
            Cells::text($this->unit, 'model').', '.($serial === '' ? Labels::NO_SERIAL : Labels::SERIAL.' '.$serial),
        );
    }
}
