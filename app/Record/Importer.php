<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Logbook\ShippedPolicies;
use Footnote\App\Logbook\ShipPolicies;
use Footnote\App\Logbook\Touches;
use Footnote\App\Storage\Moments;
use Footnote\App\Storage\Numbers;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;

/** Takes a record into the logbook: all of it in one transaction, or none. */
final readonly class Importer
{
    public function __construct(
        private Journal $journal,
        private Intake $intake,
        private ShipPolicies $ship,
        private KitIntake $kit,
        private LaboratoryIntake $laboratory,
        private CheckIntake $checks,
        private RunIntake $runs,
        private Touches $touches,
        private Numbers $numbers,
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
        $journalled = ['sha256' => $file->sha256, 'file' => basename($file->path), ...$counts];
        $this->journal->during($actor, 'record imported', $journalled, function () use ($fields, $file, $actor): void {
            ($this->ship)($actor);
            $campaign = $fields->object('campaign')->id('code');
            $this->campaign($fields, $campaign);
            if ($this->kit->take($fields, $actor)) {
                $this->touches->libraries();
            }
            $this->laboratory->take($fields, $campaign, $actor);
            $this->checks->take($fields, $actor);
            $this->touch($fields, $this->runs->take($fields, $file, $campaign, $actor));
            $this->numbers->lookAgain();
        });

        return $counts;
    }

    private function campaign(Fields $fields, string $code): void
    {
        $policy = $fields->raw('policy') ?? 'standard';
        if ($this->intake->has(Campaign::class, $code)) {
            return;
        }
        if (!\is_string($policy) || !\in_array($policy, ShippedPolicies::ALL, true)) {
            throw new InvalidRecord('/policy', 'must name a shipped policy to be imported.');
        }
        $campaign = $fields->object('campaign');
        $site = $fields->object('site');
        $made = new Campaign($code, $campaign->text('title'), $site->text('name'), $site->text('timeZone'));
        $made->measureAgainst(['criteria' => $campaign->raw('criteria') ?? [], 'limits' => $campaign->raw('limits') ?? []]);
        $made->judgeBy($policy.'-1', false);
        $this->intake->add($made);
        $this->intake->flush();
    }

    /**
     * Runs of units that a record brings evidence on, and of samples that it brings word of, are judged again.
     *
     * @param list<RunState> $runs that it brings
     */
    private function touch(Fields $fields, array $runs): void
    {
        $this->intake->flush();
        /** @var array<string, array{string, \DateTimeImmutable}> $touched the first that came on each unit */
        $touched = [];
        $came = array_map(static fn (RunState $run): array => [$run->instrument, Moments::of($run->startedAt)], $runs);
        foreach (['checks', 'interventions'] as $list) {
            foreach ($fields->objects($list) as $item) {
                $came[] = [$item->id('instrument'), $item->moment('at')];
            }
        }
        foreach ($came as [$unit, $at]) {
            $touched['='.$unit] = [$unit, min($at, $touched['='.$unit][1] ?? $at)];
        }
        foreach ($touched as [$unit, $since]) {
            $this->touches->unit($unit, $since);
            $this->touches->logsOf($unit);
        }
        $this->touches->runs(array_map(static fn (RunState $run): string => $run->run, $runs));
        if ($fields->objects('blanks') !== []) {
            $this->touches->campaign($fields->object('campaign')->id('code'));
        }
        $media = array_values(array_filter(array_map(static fn (RunState $run): ?string => $run->medium(), $runs), \is_string(...)));
        foreach ($fields->objects('laboratory') as $report) {
            foreach ($report->objects('rows') as $row) {
                $media[] = $row->text('medium');
            }
        }
        $this->touches->media($media);
        $this->touches->sharedLogs();
        foreach ($fields->objects('instruments') as $item) {
            foreach (array_filter([$item->id('id'), $item->optionalText('serial', 40)], \is_string(...)) as $name) {
                $this->touches->logsNaming($name);
            }
        }
    }
}
