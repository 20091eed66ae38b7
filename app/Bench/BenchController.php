<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\Problem;
use Footnote\App\Journal\Journal;
use Footnote\App\Judgement\Logbook;
use Footnote\App\Judgement\Policies;
use Footnote\App\Judgement\Workings;
use Footnote\App\Kit\RegisteredInstrument;
use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Foresight;
use Footnote\Core\Noise\BenchReading;
use Footnote\Core\Noise\CalibratorFitness;
use Footnote\Core\Noise\UnitHistory;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RecordReader;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;
use Symfony\Component\Uid\Ulid;

/** Doing a check, one step at a time. A half-done check is kept with every answer. */
#[Route('/api/bench')]
final readonly class BenchController
{
    private Foresight $foresight;

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private Logbook $logbook,
        private Workings $workings,
        private Policies $policies,
        private Assessor $assessor,
        private EvidenceReader $reader,
        private ClockInterface $clock,
    ) {
        $this->foresight = new Foresight($assessor);
    }

    #[Route('', methods: ['GET'])]
    public function bench(): JsonResponse
    {
        $units = [];
        $morning = [];
        foreach (array_keys($this->logbook->pairs('SELECT id, record FROM instrument ORDER BY id', [])) as $id) {
            $timeline = $this->logbook->timeline($id);
            $draft = $this->connection->fetchAssociative('SELECT id, started_by, started_at FROM check_draft WHERE instrument_id = ? AND closed_at IS NULL', [$id]);
            $last = $timeline->checks === [] ? null : $timeline->checks[\count($timeline->checks) - 1];
            $units[] = [
                ...$this->unit($timeline),
                'lastCheck' => $last === null ? null : ['id' => $last->id, 'at' => $last->at->format(\DATE_ATOM), 'reference' => $last->reference],
                'draft' => $draft === false ? null : ['id' => Logbook::text($draft, 'id'), 'by' => Logbook::text($draft, 'started_by'), 'startedAt' => Logbook::moment($draft, 'started_at')],
            ];
            if ($last !== null && $last->reference !== null) {
                $points = UnitHistory::of($timeline, $last->at)->points;
                $point = $points === [] ? null : $points[\count($points) - 1];
                if ($point !== null && $point['check'] === $last->id && $point['drift'] !== null) {
                    $morning[$last->reference.'|'.$last->at->format('Y-m-d').($last->at->format('H') < 12 ? ' morning' : ' afternoon')][$id] = $point['drift'];
                }
            }
        }
        $shifts = [];
        krsort($morning);
        foreach ($morning as $key => $drifts) {
            $shift = CommonShift::of($drifts);
            if ($shift !== null) {
                [$reference, $when] = explode('|', $key, 2);
                $shifts[] = ['reference' => $reference, 'when' => $when, 'shared' => $shift->shared, 'units' => $shift->moved, 'own' => array_map(static fn (string $unit, float $own): array => ['unit' => $unit, 'own' => $own], array_keys($shift->own), array_values($shift->own))];
            }
        }

        return new JsonResponse(['units' => $units, 'shifts' => $shifts]);
    }

    #[Route('/{instrument}/check', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function begin(string $instrument, #[CurrentUser] User $user): JsonResponse
    {
        if ($this->entities->find(RegisteredInstrument::class, $instrument) === null) {
            throw Problem::missing('Instrument '.$instrument);
        }
        $draft = $this->journal->during($user->code, 'check begun', ['instrument' => $instrument], function () use ($instrument, $user): Draft {
            $open = $this->connection->fetchOne('SELECT id FROM check_draft WHERE instrument_id = ? AND closed_at IS NULL', [$instrument]);
            $draft = \is_string($open) ? $this->entities->find(Draft::class, $open) : null;
            if ($draft === null) {
                $draft = new Draft((string) new Ulid(), $instrument, $user->code, $this->clock->now());
                $this->entities->persist($draft);
            }

            return $draft;
        });

        return $this->shown($draft);
    }

    #[Route('/drafts/{id}', methods: ['GET'])]
    public function draft(string $id): JsonResponse
    {
        return $this->shown($this->find($id));
    }

    #[Route('/drafts/{id}', methods: ['PUT'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function answer(string $id, Request $request): JsonResponse
    {
        $body = Body::of($request);
        $draft = $this->find($id);
        $answers = $body->map('answers');
        if (($answers['asFound'] ?? []) !== [] && !isset($answers['at'])) {
            $answers['at'] = $this->clock->now()->format(\DATE_ATOM);
        }
        try {
            $this->entities->lock($draft, LockMode::OPTIMISTIC, (int) ($body->optionalNumber('version', 1, 1e9) ?? 0));
            $draft->answer($answers);
            $this->entities->flush();
        } catch (OptimisticLockException) {
            throw new Problem(409, 'This check was answered elsewhere meanwhile. Look at it again; what you typed is still on your screen.');
        }

        return $this->shown($draft);
    }

    #[Route('/drafts/{id}/accept', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function accept(string $id, #[CurrentUser] User $user): JsonResponse
    {
        return $this->close($id, $user, false, '');
    }

    /** A check broken off after the reference sounded is evidence too; one without any answer is only put away. */
    #[Route('/drafts/{id}/break-off', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function breakOff(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return $this->close($id, $user, true, Body::of($request)->optionalText('reason', 2000) ?? '');
    }

    #[Route('/checks/{id}/set-aside', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function setAside(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $reason = Body::of($request)->text('reason');
        $check = $this->entities->find(RecordedCheck::class, $id) ?? throw Problem::missing('Check '.$id);
        $read = $this->reader->check(Fields::of($check->record), RecordReader::format('noise-dosimeter'));
        if ($read->content->wasAdjusted()) {
            throw new Problem(409, 'The unit was adjusted at this check: setting it aside would hide that. Nothing was changed.');
        }
        if ($this->entities->find(RecordedSetAside::class, $id) !== null) {
            throw new Problem(409, 'This check was set aside already.');
        }
        $record = ['at' => $this->clock->now()->format(\DATE_ATOM), 'by' => $user->code, 'reason' => $reason];
        $this->journal->during($user->code, 'check set aside', ['check' => $id, ...$record], function () use ($id, $record, $user, $check): void {
            $this->entities->persist(new RecordedSetAside($id, $record, $user->code, $this->clock->now()));
            $this->workings->forgetInstrument($check->instrument);
        });

        return new JsonResponse(null, 204);
    }

    #[Route('/{instrument}/interventions', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function intervene(string $instrument, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        if ($this->entities->find(RegisteredInstrument::class, $instrument) === null) {
            throw Problem::missing('Instrument '.$instrument);
        }
        $record = $this->journal->during($user->code, 'intervention', ['instrument' => $instrument, ...$body->data()], function () use ($instrument, $body, $user): array {
            $count = $this->connection->fetchOne('SELECT COUNT(*) FROM intervention');
            $record = [...$body->data(), 'id' => \sprintf('I-%05d', (\is_numeric($count) ? (int) $count : 0) + 1), 'instrument' => $instrument, 'by' => $user->code];
            $event = $this->reader->intervention(Fields::of($record));
            $this->notInTheFuture($event->at);
            $this->entities->persist(new RecordedIntervention($event->id, $instrument, $event->at->setTimezone(new \DateTimeZone('UTC')), $record, $user->code, $this->clock->now()));
            $this->workings->forgetInstrument($instrument);

            return $record;
        });

        return new JsonResponse(['id' => $record['id']], 201);
    }

    private function close(string $id, User $user, bool $brokenOff, string $reason): JsonResponse
    {
        $draft = $this->find($id);
        $answers = $draft->answers();
        $timeline = $this->logbook->timeline($draft->instrument);
        if ($brokenOff && ($answers['asFound'] ?? []) === [] && ($answers['adjusted'] ?? null) !== true) {
            $this->journal->during($user->code, 'check put away', ['instrument' => $draft->instrument, 'reason' => $reason], function () use ($draft): void {
                $draft->close($this->clock->now());
            });

            return new JsonResponse(['check' => null]);
        }
        $check = $this->journal->during($user->code, $brokenOff ? 'check broken off' : 'check recorded', ['draft' => $draft->id, 'instrument' => $draft->instrument, 'answers' => $answers], function () use ($draft, $answers, $timeline, $user, $brokenOff, $reason): string {
            $count = $this->connection->fetchOne('SELECT COUNT(*) FROM check_record');
            $record = DraftCheck::record(\sprintf('C-%05d', (\is_numeric($count) ? (int) $count : 0) + 1), $timeline->instrument, $user->code, $answers, $this->clock->now());
            if ($brokenOff) {
                $record = [...$record, 'brokenOff' => true, 'remarks' => $reason];
            }
            try {
                $check = $this->reader->check(Fields::of($record), RecordReader::format($timeline->instrument->family));
            } catch (InvalidRecord $problem) {
                throw new Problem(422, 'The check was not accepted; all answers are kept. '.$problem->getMessage(), [['field' => $problem->path, 'problem' => $problem->problem]]);
            }
            $this->notInTheFuture($check->at);
            if (!$brokenOff && !$check->content->hasAsFound() && !$check->content->wasAdjusted()) {
                throw new Problem(422, 'The check was not accepted; all answers are kept. There is no reading as found.', [['field' => '/acoustic/asFound', 'problem' => 'is missing.']]);
            }
            if ($check->reference !== null && !isset($this->logbook->references([$check->reference])[$check->reference])) {
                throw Problem::field('/reference', 'this reference is not in the kit.');
            }
            $this->entities->persist(new RecordedCheck($check->id, $draft->instrument, $check->reference, $check->at->setTimezone(new \DateTimeZone('UTC')), $record, $user->code, $this->clock->now()));
            $draft->close($this->clock->now());
            $this->workings->forgetInstrument($draft->instrument);

            return $check->id;
        });

        return new JsonResponse(['check' => $check], 201);
    }

    private function notInTheFuture(\DateTimeImmutable $at): void
    {
        if ($at > $this->clock->now()->modify('+1 minute')) {
            throw Problem::field('/at', 'lies in the future.');
        }
    }

    private function find(string $id): Draft
    {
        $draft = $this->entities->find(Draft::class, $id) ?? throw Problem::missing('This half-done check');
        if ($draft->isClosed()) {
            throw new Problem(409, 'This check is closed already.');
        }

        return $draft;
    }

    private function shown(Draft $draft): JsonResponse
    {
        $timeline = $this->logbook->timeline($draft->instrument);
        $now = $this->clock->now();
        $answers = $draft->answers();
        $campaign = $this->campaignOf($timeline);
        $policy = $this->policies->get($campaign['policy']);
        $everything = new Timeline($timeline->instrument, $timeline->checks, $timeline->interventions, $timeline->runs, $this->logbook->references());
        [$check, $problems] = DraftCheck::read(DraftCheck::record('draft', $timeline->instrument, $draft->by, $answers, $now), $timeline->instrument, $this->reader);
        $reading = $check === null ? null : BenchReading::of($check, $everything, $policy);
        $closes = $check === null || (!$check->content->hasAsFound() && !$check->content->wasAdjusted()) ? [] : $this->foresight->after($check, $everything, $policy, $this->workings->yardsticks($campaign['id']));
        $figure = static fn (?\Footnote\Core\Derivation\Figure $figure): ?string => $figure?->shown();

        return new JsonResponse([
            'id' => $draft->id,
            'version' => $draft->version(),
            'startedBy' => $draft->by,
            'startedAt' => $draft->startedAt->format(\DATE_ATOM),
            'unit' => $this->unit($timeline),
            'procedure' => [
                'title' => $this->assessor->family($timeline->instrument->family)->procedure()->title,
                'steps' => array_map(static fn (Step $step): array => ['id' => $step->id, 'kind' => $step->kind->value, 'title' => $step->title, 'instruction' => $step->instruction, 'why' => $step->why, 'required' => $step->required, 'seconds' => $step->seconds, 'when' => $step->when], $this->assessor->family($timeline->instrument->family)->procedure()->steps),
            ],
            'references' => array_values(array_map(static fn ($reference): array => ['id' => $reference->id, 'model' => $reference->model, 'adapters' => $reference->adapters, 'levels' => ($fitness = CalibratorFitness::of($reference, $timeline->instrument, $now))->levels, 'problems' => $fitness->problems], $everything->references)),
            'answers' => (object) $answers,
            'problems' => $problems,
            'live' => [
                'expected' => $figure($reading?->expected),
                'asFound' => $figure($reading?->asFound),
                'asLeft' => $figure($reading?->asLeft),
                'drift' => $figure($reading?->drift),
                'driftKept' => $reading?->driftKept,
                'driftLimit' => $reading === null ? '' : $reading->driftLimit,
                'since' => $reading?->last,
                'policy' => $policy->name,
                'closes' => array_map(static fn (array $closed): array => ['run' => $closed['run']->id, 'person' => $closed['run']->person, 'task' => $closed['run']->task, 'verdict' => $closed['verdict']->value, 'finding' => $closed['finding']?->seen], $closes),
            ],
        ]);
    }

    /** @return array<string, mixed> */
    private function unit(Timeline $timeline): array
    {
        $open = $this->foresight->openRuns($timeline);
        $running = array_values(array_filter($timeline->runs, static fn (Run $run): bool => $run->stop === null));

        return [
            'id' => $timeline->instrument->id,
            'model' => $timeline->instrument->model,
            'microphone' => $timeline->instrument->microphone,
            'selfAdjusting' => $timeline->instrument->selfAdjusting,
            'hold' => array_map(static fn (Run $run): string => $run->id, $open),
            'running' => $running === [] ? null : $running[0]->id,
        ];
    }

    /** @return array{id: string, policy: string} the campaign of its newest run, else the newest campaign */
    private function campaignOf(Timeline $timeline): array
    {
        $row = $this->connection->fetchAssociative('SELECT c.id, c.policy_key FROM campaign c LEFT JOIN run r ON r.campaign_id = c.id AND r.instrument_id = ? ORDER BY CASE WHEN r.id IS NULL THEN 1 ELSE 0 END, r.started_at DESC, c.id DESC LIMIT 1', [$timeline->instrument->id]);
        if ($row === false) {
            throw new Problem(409, 'There is no campaign yet. A hygienist or steward makes one under Policies.');
        }

        return ['id' => Logbook::text($row, 'id'), 'policy' => Logbook::text($row, 'policy_key')];
    }
}
