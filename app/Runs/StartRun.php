<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\RecordedRun;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** A run starts on a unit; one that is over already is written down with its stop. */
final readonly class StartRun
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Logbook $logbook,
        private Touches $touches,
        private RunFields $fields,
        private FreeUnit $free,
        private Numbers $numbers,
        private SiteClock $site,
        private ClockInterface $clock,
    ) {
    }

    /** @return string the run's number */
    public function __invoke(User $by, Fields $told): string
    {
        $campaign = $this->entities->find(Campaign::class, $told->id('campaign'))
            ?? throw Problem::field('/campaign', 'is not in this logbook.');
        $instrument = $this->entities->find(RegisteredInstrument::class, $told->id('instrument'))
            ?? throw Problem::field('/instrument', 'is not in the kit.');
        $record = $this->fields->started($told, $instrument->family);
        $journalled = ['campaign' => $campaign->id, ...$record];

        return $this->journal->during(
            $by->code,
            'run started',
            $journalled,
            function () use ($by, $record, $campaign, $instrument): string {
                $record = ['id' => $this->numbers->next('run', 'R-%05d'), 'campaign' => $campaign->id, ...$record];
                $run = $this->logbook->coreRun($record);
                $this->site->refuseFuture($run->timing->start, '/start');
                $this->free->check($run, $record);
                $recorded = new RecordedRun(
                    $run->id,
                    $instrument->id,
                    $campaign->id,
                    $run->timing->start->setTimezone(new \DateTimeZone('UTC')),
                    $record,
                    $by->code,
                    $this->clock->now(),
                );
                if ($run->timing->stop !== null) {
                    $this->site->refuseFuture($run->timing->stop, '/stop');
                }
                $this->entities->persist($recorded);
                $this->entities->flush();
                $state = RunState::of($recorded, $run->timing->start, $run->deployment->person);
                $state->learn($run->timing->stop, $record);
                $this->entities->persist($state);
                $this->touches->unit($instrument->id, $run->timing->start);
                $this->touches->runs([$run->id]);
                $this->touches->media(array_filter([$state->medium()], \is_string(...)));

                return $run->id;
            },
        );
    }
}
