<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\WaitingSamples;
use Footnote\App\Planning\Samples;
use Footnote\App\Storage\Cells;

/**
 * Until when samples must be analysed that were drawn and that no laboratory has told anything of, where their methods say how long they
 * hold.
 */
final readonly class SampleDates
{
    public function __construct(
        private WaitingSamples $waiting,
        private Logbook $logbook,
        private PracticeUnits $practice,
        private Samples $samples,
    ) {
    }

    /**
     * @param array<int|string, array<string, mixed>> $units records of units
     *
     * @return list<DueItem>
     */
    public function all(array $units): array
    {
        $runs = $this->waiting->runs();
        if ($runs === []) {
            return [];
        }
        $practice = $this->practice->all();
        $records = $this->logbook->runRecords('r.id IN ('.implode(', ', array_fill(0, \count($runs), '?')).')', $runs);
        $items = [];
        foreach ($records as $id => $record) {
            $unit = Cells::text($record, 'instrument');
            $family = Cells::text($units[$unit] ?? [], 'family');
            $stop = Cells::text($record, 'stop');
            $until = $stop === '' ? null : $this->samples->holdsUntil($family, $record, new \DateTimeImmutable($stop));
            if ($until !== null && !isset($practice['='.$unit])) {
                $items[] = new DueItem(
                    'samples',
                    Cells::text($record, 'medium'),
                    Cells::text($record, 'method'),
                    DueItem::plain('analysis', $until, (string) $id, true),
                    note: \sprintf('%s, %s', Cells::text($record, 'person'), Cells::text($record, 'task')),
                );
            }
        }

        return $items;
    }
}
