<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Http\Bench\UnitPresenter;
use Footnote\App\Logbook\CheckVersions;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\App\Shown\TraitsLine;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Judgement\Apart;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\Channelled;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\UnitHistory;
use Footnote\Core\Judgement\UnitTrend;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\RecallList;
use Footnote\Core\Record\UnitEntries;

/** A unit: what it is, whether it is in date, and how it was found through time. */
final readonly class InstrumentPresenter
{
    public function __construct(
        private Logbook $logbook,
        private EvidenceReader $reader,
        private Assessor $assessor,
        private Formats $families,
        private Retirements $retirements,
        private SiteClock $site,
        private KitPolicy $policy,
        private RoutinesPresenter $routines,
        private CheckVersions $versions,
    ) {
    }

    /** @return array<string, mixed> */
    public function page(string $id): array
    {
        $record = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
        $timeline = $this->logbook->timeline($id);
        $family = $this->assessor->family($timeline->instrument->family);
        $channels = $family instanceof Channelled ? $family->channels($timeline) : [];
        $replaced = $this->versions->replacedOf($id);
        /** @var array<int|string, UnitHistory> $histories */
        $histories = [];
        foreach (Apart::of($family, $timeline) as [$channel, $of]) {
            $histories[$channel] = $family->bench()->history($of, $this->site->now());
        }

        return [
            ...$this->instrument($record),
            ...$this->routines->of($timeline->instrument),
            'retired' => $this->retirements->instruments()['='.$id] ?? null,
            'channels' => $channels,
            'run' => Entry::all($this->families->of($family->id())->run($timeline->instrument)),
            'usualMinutes' => $this->families->of($family->id())->usualMinutes(),
            'histories' => array_map(static fn (int|string $channel, UnitHistory $history): array => [
                'channel' => (string) $channel,
                'unit' => $history->unit->value,
                'driftUnit' => $history->drift->value,
                'shows' => $history->shows,
                'points' => array_map(self::point(...), $history->points),
                'trends' => array_map(
                    static fn (UnitTrend $trend): array => [
                        'title' => $trend->title,
                        'unit' => $trend->unit->value,
                        'points' => array_map(self::point(...), $trend->points),
                        'since' => $trend->since,
                        'certified' => $trend->certified?->format('Y-m-d'),
                    ],
                    $history->trends,
                ),
            ], array_keys($histories), array_values($histories)),
            'procedures' => UnitPresenter::procedures($family->procedures($timeline->instrument)),
            'interventions' => array_map(
                static fn ($event): array => [
                    'id' => $event->id,
                    'at' => $event->at->format(\DATE_ATOM),
                    'kind' => $event->kind->id(),
                    'by' => $event->by,
                    'note' => $event->note,
                    'channel' => $event->channel,
                ],
                $timeline->interventions(),
            ),
            'checks' => array_map(
                static fn (Check $check): array => [
                    'id' => $check->id,
                    'at' => $check->at->format(\DATE_ATOM),
                    'by' => $check->notes->who(),
                    'reference' => $check->reference,
                    'adjusted' => $check->content->wasAdjusted(),
                    'setAside' => $check->notes->setAside?->reason,
                    'brokenOff' => $check->walk->brokenOff,
                    'replacedBy' => $replaced[$check->id] ?? null,
                ],
                array_reverse($this->logbook->everyCheck($id)),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function point(HistoryPoint $point): array
    {
        return [
            'at' => $point->at->format(\DATE_ATOM),
            'check' => $point->check,
            'found' => $point->found,
            'left' => $point->left,
            'drift' => $point->drift,
            'adjustment' => $point->adjustment,
        ];
    }

    /** @return array<string, mixed> */
    public function registered(string $id): array
    {
        return $this->instrument($this->logbook->instrumentRecord($id) ?? []);
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    public function instrument(array $record): array
    {
        return self::dated($this->undated($record, $this->policy->policy()), DueDates::at($this->site));
    }

    /**
     * With what its certificate comes to today.
     *
     * @param array<string, mixed> $shown
     *
     * @return array<string, mixed>
     */
    public static function dated(array $shown, DueDates $dates): array
    {
        return [...$shown, 'dueState' => $dates->state(\is_string($shown['due']) ? $shown['due'] : null)];
    }

    /**
     * What holds through the day.
     *
     * @param array<string, mixed> $record
     * @param Policy|null          $policy that says how often a laboratory is to see such a unit
     *
     * @return array<string, mixed>
     */
    public function undated(array $record, ?Policy $policy): array
    {
        $unit = $this->reader->instrument(Fields::of($record));

        return [
            'id' => $unit->id,
            'family' => $unit->family,
            'familyTitle' => $this->assessor->family($unit->family)->title(),
            'model' => $unit->model,
            'about' => TraitsLine::of($unit, $this->families->of($unit->family)),
            'traits' => [
                ...($unit->serial === null ? [] : [['label' => 'Serial number', 'shown' => $unit->serial, 'flag' => false]]),
                ...TraitsLine::shown($unit->traits, UnitEntries::of($this->families->of($unit->family))),
            ],
            ...CorrectedLines::of($record, $this->families->of($unit->family)->instrument(), $unit->upkeep),
            'intervals' => $record['intervals'] ?? [],
            'recalls' => RecallList::of(Fields::of($record))->told(),
            ...DueDates::told(CertifiedTerm::ofUnit($unit, $policy, $this->site->now())),
        ];
    }
}
