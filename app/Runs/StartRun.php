<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\RecordedRun;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\FitState;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

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
        private FitToStart $fit,
        private Retirements $retirements,
        private Numbers $numbers,
        private SiteClock $site,
        private ClockInterface $clock,
    ) {
    }

    /** @return string the run's number */
    public function __invoke(User $by, Fields $told): string
    {
        [$run, $record] = $this->prepared($by, $told);

        return $this->journal->during($by->code, 'run started', $record, fn (): string => $this->keep($by, $run, $record));
    }

    /**
     * What would be written down; read and judged before the lock is taken.
     *
     * @return array{Run, array<string, mixed>}
     */
    public function prepared(User $by, Fields $told): array
    {
        $campaign = $this->entities->find(Campaign::class, $told->id('campaign'))
            ?? throw Problem::field('/campaign', 'is not in this logbook.');
        $instrument = $this->entities->find(RegisteredInstrument::class, $told->id('instrument'))
            ?? throw Problem::field('/instrument', 'is not in the kit.');
        $this->retirements->refuseInstrument($instrument->id, '/instrument');
        $record = ['campaign' => $campaign->id, ...$this->fields->started($told, $instrument->family)];
        $run = $this->logbook->coreRun(['id' => (string) new Ulid(), ...$record]);
        $this->site->refuseFuture($run->timing->start, '/start');
        if ($run->timing->stop !== null) {
            $this->site->refuseFuture($run->timing->stop, '/stop');
        }

        return [$run, [...$record, ...$this->despite($by, $run, $campaign, trim($told->optionalText('despite', 2000) ?? ''))]];
    }

    /**
     * Within the change that brings it: its number is given, and the unit looked at again.
     *
     * @param array<string, mixed> $record
     *
     * @return string the run's number
     */
    public function keep(User $by, Run $run, array $record): string
    {
        $this->free->check($run, $record);
        $number = $this->numbers->next('run', 'R-%05d');
        $recorded = new RecordedRun(
            $number,
            $run->deployment->instrument,
            Cells::text($record, 'campaign'),
            $run->timing->start->setTimezone(new \DateTimeZone('UTC')),
            ['id' => $number, ...$record],
            $by->code,
            $this->clock->now(),
        );
        $this->entities->persist($recorded);
        $this->entities->flush();
        $state = RunState::of($this->logbook->coreRun($recorded->record), $recorded->campaign, $recorded->record);
        $this->entities->persist($state);
        $this->touches->unit($recorded->instrument, $run->timing->start);
        $this->touches->runs([$number]);
        $this->touches->media(array_filter([$state->medium()], \is_string(...)));

        return $number;
    }

    /**
     * A unit that goes out now is fit to, or somebody says why it goes all the same; one that failed does not go.
     *
     * @return array{despite?: array{reason: string, by: string, against: list<string>}}
     *
     * @throws Problem where nobody says why
     */
    private function despite(User $by, Run $run, Campaign $campaign, string $reason): array
    {
        if ($run->timing->stop !== null) {
            // What is over is written down as it was: its result says what was against the unit.
            return [];
        }
        $fitness = $this->fit->of($run->deployment->instrument, $campaign->id, $campaign->policy(), $run->timing->start);
        $against = implode(' ', $fitness->against);
        if ($fitness->stays) {
            throw Problem::field(
                '/instrument',
                \sprintf('failed at its last check and stays here until a check finds it right. %s', $against),
            );
        }
        if ($fitness->state !== FitState::Fit && $reason === '') {
            throw Problem::field('/despite', \sprintf('says why it goes out although it is not fit to: %s', $against));
        }

        return $fitness->state === FitState::Fit
            ? []
            : ['despite' => ['reason' => $reason, 'by' => $by->code, 'against' => $fitness->against]];
    }
}
