<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use Footnote\App\Access\User;
use Footnote\App\Bench\DraftCheck;
use Footnote\App\Http\Body;
use Footnote\App\Http\Shown\TraitsLine;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\CheckLeaning;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Logbook\Row\RecordedIntervention;
use Footnote\App\Logbook\Row\RecordedSetAside;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CommonShift;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\AsksByReference;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Foresight;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\LiveSheet;
use Footnote\Core\Judgement\ReferenceChoice;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
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
        private Numbers $numbers,
        private SiteClock $site,
        private Formats $families,
    ) {
        $this->foresight = new Foresight($assessor);
    }

    #[Route('', methods: ['GET'])]
    public function bench(): JsonResponse
    {
        $units = [];
        $morning = [];
        foreach ($this->logbook->instruments() as $id) {
            $timeline = $this->logbook->timeline($id);
            $draft = $this->connection->fetchAssociative(
                'SELECT id, started_by, started_at FROM check_draft WHERE instrument_id = ? AND closed_at IS NULL',
                [$id],
            );
            $last = $timeline->checks === [] ? null : $timeline->checks[\count($timeline->checks) - 1];
            $units[] = [
                ...$this->unit($timeline),
                'lastCheck' => $last === null
                    ? null
                    : ['id' => $last->id, 'at' => $last->at->format(\DATE_ATOM), 'reference' => $last->reference],
                'draft' => $draft === false
                    ? null
                    : [
                        'id' => Cells::text($draft, 'id'),
                        'by' => Cells::text($draft, 'started_by'),
                        'startedAt' => Cells::moment($draft, 'started_at'),
                    ],
            ];
            if ($last !== null && $last->reference !== null) {
                $points = $this->assessor->family($timeline->instrument->family)->bench()->history($timeline, $last->at)->points;
                $point = $points === [] ? null : $points[\count($points) - 1];
                if ($point !== null && $point->check === $last->id && $point->drift !== null) {
                    $when = $last->at->format('Y-m-d').($last->at->format('H') < 12 ? ' morning' : ' afternoon');
                    $key = $when.' '.$last->reference;
                    $morning[$key] ??= [
                        'reference' => $last->reference,
                        'when' => $when,
                        'family' => $timeline->instrument->family,
                        'drifts' => [],
                    ];
                    $morning[$key]['drifts'][$id] = $point->drift;
                }
            }
        }
        $shifts = [];
        krsort($morning);
        foreach ($morning as ['reference' => $reference, 'when' => $when, 'family' => $family, 'drifts' => $drifts]) {
            $scale = $this->assessor->family($family)->bench()->sharedShift();
            $shift = CommonShift::of($drifts, $scale->near, $scale->least);
            if ($shift !== null) {
                $shifts[] = [
                    'unit' => $scale->unit->value,
                    'reference' => $reference,
                    'when' => $when,
                    'shared' => $shift->shared,
                    'units' => $shift->moved,
                    'own' => array_map(
                        static fn (int|string $unit, float $own): array => ['unit' => (string) $unit, 'own' => $own],
                        array_keys($shift->own),
                        array_values($shift->own),
                    ),
                ];
            }
        }

        return new JsonResponse(['units' => $units, 'shifts' => $shifts]);
    }

    #[Route('/{instrument}/check', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function begin(string $instrument, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $unit = $this->entities->find(RegisteredInstrument::class, $instrument) ?? throw Problem::missing('Instrument '.$instrument);
        $procedure = $request->query->getString('procedure');
        $procedures = $this->assessor->family($unit->family)->procedures($this->reader->instrument(Fields::of($unit->record)));
        if ($procedure !== '' && Procedure::among($procedures, $procedure)->id !== $procedure) {
            throw Problem::field(
                '/procedure',
                \sprintf('must be one of: %s.', implode(', ', array_map(static fn (Procedure $one): string => $one->id, $procedures))),
            );
        }
        $draft = $this->journal->during($user->code, 'check begun', ['instrument' => $instrument], function () use ($instrument, $user, $procedure): Draft {
            $open = $this->connection->fetchOne('SELECT id FROM check_draft WHERE instrument_id = ? AND closed_at IS NULL', [$instrument]);
            $draft = \is_string($open) ? $this->entities->find(Draft::class, $open) : null;
            if ($draft === null) {
                $draft = new Draft((string) new Ulid(), $instrument, $user->code, $this->clock->now());
                $draft->answer($procedure === '' ? [] : ['procedure' => $procedure]);
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
        // The moment of the first reading stays, whichever copy of the answers comes later.
        $answers['at'] ??= $draft->answers()['at'] ?? null;
        if ($answers['at'] === null && $this->hasReadings($this->familyOf($draft), $answers)) {
            $answers['at'] = $this->clock->now()->format(\DATE_ATOM);
        }
        $answers = array_filter(
            $answers,
            static fn (mixed $value, string $name): bool => $name !== 'at' || $value !== null,
            \ARRAY_FILTER_USE_BOTH,
        );
        try {
            $this->entities->lock($draft, LockMode::OPTIMISTIC, (int) ($body->optionalNumber('version', 1, 1e9) ?? 0));
            $draft->answer($answers);
            $this->entities->flush();
        } catch (OptimisticLockException) {
            throw new Problem(
                409,
                'This check was answered elsewhere meanwhile. Look at it again; what you typed is still on your screen.',
            );
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
        $read = $this->reader->check(
            Fields::of($check->record),
            $this->families->of(Cells::text($this->logbook->instrumentRecord($check->instrument) ?? [], 'family')),
        );
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
        $unit = $this->entities->find(RegisteredInstrument::class, $instrument) ?? throw Problem::missing('Instrument '.$instrument);
        $record = $this->journal->during($user->code, 'intervention', ['instrument' => $instrument, ...$body->data()], function () use ($instrument, $unit, $body, $user): array {
            $record = [
                ...$body->data(),
                'id' => $this->numbers->next('intervention', 'I-%05d'),
                'instrument' => $instrument,
                'by' => $user->code,
            ];
            $event = $this->reader->intervention(Fields::of($record), $unit->family);
            $this->notInTheFuture($event->at);
            $this->entities->persist(
                new RecordedIntervention(
                    $event->id,
                    $instrument,
                    $event->at->setTimezone(new \DateTimeZone('UTC')),
                    $record,
                    $user->code,
                    $this->clock->now(),
                ),
            );
            $this->workings->forgetInstrument($instrument);

            return $record;
        });

        return new JsonResponse(['id' => $record['id']], 201);
    }

    /**
     * Whether anything was read or adjusted: a list of readings, or a flag that says so.
     *
     * @param array<string, mixed> $answers
     */
    private function hasReadings(string $family, array $answers): bool
    {
        return array_filter(
            $this->families->answered($family, $answers),
            static fn (mixed $value): bool => $value === true || (\is_array($value) && $value !== [] && array_is_list($value)),
        ) !== [];
    }

    private function close(string $id, User $user, bool $brokenOff, string $reason): JsonResponse
    {
        $draft = $this->find($id);
        $answers = $draft->answers();
        $timeline = $this->logbook->timeline($draft->instrument);
        if ($brokenOff && !$this->hasReadings($timeline->instrument->family, $answers)) {
            $this->journal->during($user->code, 'check put away', ['instrument' => $draft->instrument, 'reason' => $reason], function () use ($draft): void {
                $draft->close($this->clock->now());
            });

            return new JsonResponse(['check' => null]);
        }
        $check = $this->journal->during($user->code, $brokenOff ? 'check broken off' : 'check recorded', ['draft' => $draft->id, 'instrument' => $draft->instrument, 'answers' => $answers], function () use ($draft, $answers, $timeline, $user, $brokenOff, $reason): string {
            $record = DraftCheck::record(
                $this->numbers->next('check_record', 'C-%05d'),
                $timeline->instrument,
                $user->code,
                $answers,
                $this->clock->now(),
                $this->families,
            );
            if ($brokenOff) {
                $record = [...$record, 'brokenOff' => true, 'remarks' => $reason];
            }
            try {
                $check = $this->reader->check(Fields::of($record), $this->families->of($timeline->instrument->family));
            } catch (InvalidRecord $problem) {
                throw new Problem(
                    422,
                    'The check was not accepted; all answers are kept. '.$problem->getMessage(),
                    [['field' => $problem->path, 'problem' => $problem->problem]],
                );
            }
            $this->notInTheFuture($check->at);
            $this->saysWhy($check);
            if (!$brokenOff && !$check->content->hasAsFound() && !$check->content->wasAdjusted()) {
                throw new Problem(
                    422,
                    'The check was not accepted; all answers are kept. There is no reading as found.',
                    [[
                        'field' => '/'.$this->families->of($timeline->instrument->family)->section(),
                        'problem' => 'holds no reading as found.',
                    ]],
                );
            }
            $leaning = array_values(array_unique(array_filter([$check->reference, ...$check->content->leansOn()], \is_string(...))));
            $known = $this->logbook->references($leaning);
            foreach ($leaning as $reference) {
                if (!isset($known[$reference])) {
                    throw Problem::field('/reference', \sprintf('%s is not in the kit.', $reference));
                }
            }
            $this->entities->persist(
                new RecordedCheck(
                    $check->id,
                    $draft->instrument,
                    $check->reference,
                    $check->at->setTimezone(new \DateTimeZone('UTC')),
                    $record,
                    $user->code,
                    $this->clock->now(),
                ),
            );
            $this->entities->flush();
            foreach ($leaning as $reference) {
                $this->entities->persist(new CheckLeaning($check->id, $reference));
            }
            $draft->close($this->clock->now());
            $this->workings->forgetInstrument($draft->instrument);

            return $check->id;
        });

        return new JsonResponse(['check' => $check], 201);
    }

    /** A step that does not apply weighs nothing, so it says why. */
    private function saysWhy(Check $check): void
    {
        foreach ($check->steps as $step => $state) {
            if ($state === StepState::NotApplicable && !isset($check->reasons[$step])) {
                throw Problem::field('/stepReasons/'.$step, 'says why the step does not apply; all answers are kept.');
            }
        }
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

    private function familyOf(Draft $draft): string
    {
        return $this->entities->find(RegisteredInstrument::class, $draft->instrument)->family ?? '';
    }

    private function shown(Draft $draft): JsonResponse
    {
        $timeline = $this->logbook->timeline($draft->instrument);
        $now = $this->site->now();
        $answers = $draft->answers();
        $campaign = $this->campaignOf($timeline);
        $policy = $this->policies->get($campaign['policy']);
        $everything = $timeline->knowing($this->logbook->references());
        $format = $this->families->of($timeline->instrument->family);
        $half = DraftCheck::record('draft', $timeline->instrument, $draft->by, $answers, $now, $this->families);
        [$check, $problems] = DraftCheck::read($half, $format, $this->reader);
        $family = $this->assessor->family($timeline->instrument->family);
        $live = $check === null ? new LiveSheet([]) : $family->bench()->live($check, $everything, $policy);
        $chosen = $everything->references[Cells::text($answers, 'reference')] ?? null;
        $setting = Cells::text($answers, 'setting');
        $procedures = $family->procedures($timeline->instrument);
        $procedure = Procedure::among($procedures, Cells::text($answers, 'procedure'));
        $bench = $family->bench();
        $instruction = static fn (Step $step): ?string => $bench instanceof AsksByReference
            ? $bench->instruction($step, $timeline->instrument, $chosen, $now)
            : $step->instruction;
        $closes = $check === null || (!$check->content->hasAsFound() && !$check->content->wasAdjusted())
            ? []
            : $this->foresight->after($check, $everything, $policy, $this->workings->yardsticks($campaign['id']));

        return new JsonResponse([
            'id' => $draft->id,
            'version' => $draft->version(),
            'startedBy' => $draft->by,
            'startedAt' => $draft->startedAt->format(\DATE_ATOM),
            'unit' => $this->unit($timeline),
            'procedure' => [
                'id' => $procedure->id,
                'title' => $procedure->title,
                'steps' => array_map(static fn (Step $step): array => [
                    'id' => $step->id,
                    'kind' => $step->kind->value,
                    'title' => $step->title,
                    'instruction' => $instruction($step) ?? '',
                    'why' => $step->why,
                    'required' => $step->required,
                    'seconds' => $step->seconds,
                    'when' => $step->when,
                    'into' => $step->into,
                    'rows' => $step->rows,
                    'fields' => Entry::all($family->bench()->fields($step, $timeline->instrument, $chosen)),
                    'columns' => Entry::all($family->bench()->columns($step, $timeline->instrument, $chosen, $setting)),
                    'presets' => $family->bench()->presets($step, $timeline->instrument, $chosen, $setting),
                ],
                    array_values(
                        array_filter(
                            $procedure->steps,
                            static fn (Step $step): bool => $instruction($step) !== null
                                && ($step->required || array_filter(
                                    $family->bench()->columns($step, $timeline->instrument, $chosen, $setting),
                                    static fn (Entry $column): bool => $column->kind === EntryKind::Choice
                                        && $column->required
                                        && $column->choices === [],
                                ) === []),
                        ),
                    )),
            ],
            'references' => array_map(
                static fn (ReferenceChoice $choice): array => [
                    'id' => $choice->reference->id,
                    'model' => $choice->reference->model,
                    'about' => $choice->about,
                    'settings' => $choice->settings,
                    'problems' => $choice->problems,
                ],
                $family->bench()->choices($timeline->instrument, array_values($everything->references), $now),
            ),
            'others' => array_values(
                array_map(
                    static fn (Reference $reference): array => [
                        'id' => $reference->id,
                        'kind' => $reference->kind,
                        'model' => $reference->model,
                    ],
                    $everything->references,
                ),
            ),
            'answers' => (object) $answers,
            'problems' => $problems,
            'live' => [
                'lines' => array_map(
                    static fn (LiveLine $line): array => [
                        'label' => $line->label,
                        'shown' => $line->figure?->shown(),
                        'unit' => $line->figure->unit->value ?? '',
                        'kept' => $line->kept,
                        'limit' => $line->words,
                        'signed' => $line->signed,
                    ],
                    $live->lines,
                ),
                'questions' => $live->questions,
                'policy' => $policy->name,
                'closes' => array_map(
                    static fn (array $closed): array => [
                        'run' => $closed['run']->id,
                        'person' => $closed['run']->person,
                        'task' => $closed['run']->task,
                        'verdict' => $closed['verdict']->value,
                        'finding' => $closed['finding']?->seen,
                    ],
                    $closes,
                ),
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
            'family' => $timeline->instrument->family,
            'about' => TraitsLine::of($timeline->instrument, $this->families->of($timeline->instrument->family)),
            'procedures' => array_map(
                static fn (Procedure $procedure): array => ['id' => $procedure->id, 'title' => $procedure->title],
                $this->assessor->family($timeline->instrument->family)->procedures($timeline->instrument),
            ),
            'hold' => array_map(static fn (Run $run): string => $run->id, $open),
            'running' => $running === [] ? null : $running[0]->id,
        ];
    }

    /** @return array{id: string, policy: string} the campaign of its newest run, else the newest campaign */
    private function campaignOf(Timeline $timeline): array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT c.id, c.policy_key FROM campaign c LEFT JOIN run r ON r.campaign_id = c.id AND r.instrument_id = ? ORDER BY CASE WHEN r.id IS NULL THEN 1 ELSE 0 END, r.started_at DESC, c.id DESC LIMIT 1',
            [$timeline->instrument->id],
        );
        if ($row === false) {
            throw new Problem(409, 'There is no campaign yet. A hygienist or steward makes one under Policies.');
        }

        return ['id' => Cells::text($row, 'id'), 'policy' => Cells::text($row, 'policy_key')];
    }
}
