<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Brought;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Logbook\ShipPolicies;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Moments;
use Footnote\App\Storage\Numbers;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Evidence\UnitName;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordedCampaign;
use Footnote\Core\Record\RecordReader;

/** Takes a record into the logbook: all of it in one transaction, or none. */
final readonly class Importer
{
    private const TRIES = 3;

    public function __construct(
        private Journal $journal,
        private Intake $intake,
        private ShipPolicies $ship,
        private KitIntake $kit,
        private LaboratoryIntake $laboratory,
        private CheckIntake $checks,
        private RunIntake $runs,
        private FileIntake $files,
        private DecisionIntake $decisions,
        private PolicyIntake $policies,
        private Touches $touches,
        private Numbers $numbers,
        private Formats $families,
    ) {
    }

    /**
     * @return array{instruments: int, references: int, checks: int, runs: int}
     *
     * @throws InvalidRecord naming the place
     * @throws Problem       where others brought the same at once
     */
    public function import(RecordFile $file, string $actor): array
    {
        // Read whole first, so that what is wrong is said before anything is written.
        $read = (new RecordReader($this->families))->read($file->data, $file->logFile(...));
        $fields = Fields::of($file->data);
        $counts = ['instruments' => 0, 'references' => 0, 'checks' => 0, 'runs' => 0];
        foreach (array_keys($counts) as $list) {
            $counts[$list] = \count($fields->objects($list));
        }
        $told = ['sha256' => $file->sha256, 'file' => basename($file->path), ...$counts];
        for ($tries = 1;; ++$tries) {
            try {
                $this->takeIn($fields, $read, $file, $actor, $told);

                return $counts;
            } catch (CameMeanwhile) {
                if ($tries === self::TRIES) {
                    throw new Problem(409, 'Other records brought the same again and again. Nothing was imported; try it again.');
                }
            }
        }
    }

    /**
     * @param array<string, mixed> $told
     *
     * @throws CameMeanwhile where another brought the same kit since this was prepared
     */
    private function takeIn(Fields $fields, RecordedCampaign $read, RecordFile $file, string $actor, array $told): void
    {
        try {
            // Prepared beside the logbook: the lock is held only while it is taken in.
            [$brought, $standsOver] = $this->prepare($fields, $read, $file, $actor);
            $this->intake->refuseKnown();
            $this->journal->during($actor, 'record imported', $told, function () use ($brought, $standsOver, $actor): void {
                ($this->ship)($actor);
                $this->intake->takeIn();
                $this->touches->record($brought);
                if ($standsOver) {
                    $this->touches->libraries();
                }
                $this->numbers->lookAgain();
            });
        } finally {
            $this->intake->letGo();
        }
    }

    /** @return array{Brought, bool} what it touches, and whether an entry of a library stands over one that came with Footnote */
    private function prepare(Fields $fields, RecordedCampaign $read, RecordFile $file, string $actor): array
    {
        $campaign = $fields->object('campaign')->id('code');
        $this->campaign($fields, $campaign, $actor);
        $kit = $this->kit->take($fields, $actor);
        $this->laboratory->take($fields, $campaign, $actor);
        $this->checks->take($fields, array_column($read->checks, null, 'id'), $actor);
        $this->files->take($fields, $file, $actor);
        $this->decisions->take($fields, $actor);
        $states = $this->runs->take($fields, array_column($read->runs, null, 'id'), $file, $campaign, $actor);

        return [$this->brought($fields, $states, $kit, $campaign), $kit->standsOver];
    }

    private function campaign(Fields $fields, string $code, string $actor): void
    {
        if ($this->intake->has(Campaign::class, $code)) {
            return;
        }
        $campaign = $fields->object('campaign');
        $site = $fields->object('site');
        $made = new Campaign($code, $campaign->text('title'), $site->text('name'), $site->text('timeZone'));
        $made->measureAgainst(['criteria' => $campaign->raw('criteria') ?? [], 'limits' => $campaign->raw('limits') ?? []]);
        $made->judgeBy($this->policies->take($fields->raw('policy') ?? 'standard', $actor), false);
        $this->intake->addMissing($made);
    }

    /** @param list<RunState> $runs that it brings */
    private function brought(Fields $fields, array $runs, NewKit $kit, string $campaign): Brought
    {
        /** @var array<string, array{string, \DateTimeImmutable}> $units the first moment that came on each */
        $units = [];
        $came = array_map(static fn (RunState $run): array => [$run->instrument(), Moments::of($run->startedAt())], $runs);
        $came = array_values(array_filter($came, static fn (array $one): bool => $one[0] !== ''));
        foreach (['checks', 'interventions'] as $list) {
            foreach ($fields->objects($list) as $item) {
                $came[] = [$item->id('instrument'), $item->moment('at')];
            }
        }
        foreach ($came as [$unit, $at]) {
            $units['='.$unit] = [$unit, min($at, $units['='.$unit][1] ?? $at)];
        }
        $names = array_merge(...array_map(static fn (UnitName $unit): array => [$unit->id, $unit->serial], $kit->units));

        return new Brought(
            array_values($units),
            array_map(static fn (RunState $run): string => $run->run, $runs),
            self::texts(array_map(static fn (RunState $run): ?string => $run->medium(), $runs)),
            array_map(static fn (Fields $report): string => $report->id('id'), $fields->objects('laboratory')),
            self::texts($names),
            $fields->objects('blanks') === [] ? null : $campaign,
        );
    }

    /**
     * @param array<string|null> $texts
     *
     * @return list<string>
     */
    private static function texts(array $texts): array
    {
        return array_values(array_filter($texts, \is_string(...)));
    }
}
