<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\DecisionRecords;
use Footnote\App\Logbook\Decisions;
use Footnote\App\Logbook\DrawnLogs;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Shown\TraitsLine;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** Reads what a report tells of a run. */
final readonly class ReportedRuns
{
    /** In how many stretches a log is drawn. */
    private const STRETCHES = 260;

    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Decisions $decisions,
        private DecisionRecords $records,
        private Workings $workings,
        private Policies $policies,
        private DrawnLogs $logs,
        private Formats $families,
        private EvidenceReader $reader,
    ) {
    }

    public function of(string $id, \DateTimeZone $zone): ReportedRun
    {
        $record = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        $unit = $this->logbook->instrumentRecord(Cells::text($record, 'instrument')) ?? [];
        $format = $this->families->of(Cells::text($unit, 'family'));
        $instrument = $this->reader->instrument(Fields::of($unit));
        $worked = $this->workings->worked($id, $this->campaigns->policyOf($id));
        $decision = $this->decisions->of($id)[0] ?? null;
        $before = $decision === null ? null : $this->decisions->changed($id, $worked)['was'] ?? null;
        $entries = $format->run($instrument);

        return new ReportedRun(
            $record,
            [...$unit, 'about' => TraitsLine::of($instrument, $format)],
            new Stands($worked->body(), $decision, $before, $worked->said, $this->records->elsewhere($id)),
            $this->checks($worked->checks(), $format),
            TraitsLine::shown(EntryReader::read(Fields::of($record), $entries), $entries),
            $this->logs->drawn($id, self::STRETCHES),
            $zone,
        );
    }

    /** @return list<array<string, mixed>> how each policy judges a run */
    public function schools(string $id): array
    {
        $own = $this->campaigns->policyOf($id);

        return array_map(
            fn (string $policy): array => $this->workings->worked($id, $policy)->school,
            array_values(array_unique([$own, ...$this->policies->newest()])),
        );
    }

    /**
     * @param list<string> $ids
     *
     * @return list<array<string, mixed>>
     */
    private function checks(array $ids, ContentFormat $format): array
    {
        return array_map(function (array $record) use ($format): array {
            $check = $this->reader->check(Fields::of($record), $format);

            return [
                'id' => $check->id,
                'at' => $check->at->format(\DATE_ATOM),
                'by' => $check->notes->who(),
                'codes' => $check->notes->codes(),
                'reference' => $check->reference,
                'leansOn' => $check->leansOn(),
                'setAside' => $check->notes->setAside?->reason,
                'cells' => $format->describeCheck($check->content),
            ];
        }, $this->logbook->checkRecords($ids));
    }
}
