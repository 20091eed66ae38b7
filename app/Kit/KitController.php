<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\Problem;
use Footnote\App\Journal\Journal;
use Footnote\App\Judgement\Logbook;
use Footnote\App\Judgement\Workings;
use Footnote\Core\Noise\UnitHistory;
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

/** Instruments and references: registered once, their certificates added, never overwritten. */
#[Route('/api/kit')]
final readonly class KitController
{
    /** Days ahead of a due date at which it is pointed out. */
    private const SOON = 45;

    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private Logbook $logbook,
        private Workings $workings,
        private EvidenceReader $reader,
        private ClockInterface $clock,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function kit(): JsonResponse
    {
        $instruments = $this->logbook->pairs('SELECT id, record FROM instrument ORDER BY id', []);
        $certificates = $this->logbook->certificates('instrument_id', array_keys($instruments));
        $last = $this->connection->fetchAllKeyValue('SELECT instrument_id, MAX(checked_at) FROM check_record GROUP BY instrument_id');
        $used = $this->connection->fetchAllKeyValue('SELECT reference_id, MAX(checked_at) FROM check_record WHERE reference_id IS NOT NULL GROUP BY reference_id');

        return new JsonResponse([
            'instruments' => array_map(fn (string $id, array $record): array => [...$this->instrument([...$record, 'certificates' => $certificates[$id] ?? []]), 'lastCheck' => self::moment($last[$id] ?? null)], array_keys($instruments), $instruments),
            'references' => array_values(array_map(fn (array $record): array => [...$this->reference($record), 'lastUse' => self::moment($used[Logbook::text($record, 'id')] ?? null)], $this->logbook->referenceRecords())),
        ]);
    }

    #[Route('/instruments/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        $record = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
        $timeline = $this->logbook->timeline($id);
        $history = UnitHistory::of($timeline, $this->clock->now());

        return new JsonResponse([
            ...$this->instrument($record),
            'history' => array_map(static fn (array $point): array => [...$point, 'at' => $point['at']->format(\DATE_ATOM)], $history->points),
            'interventions' => array_map(static fn ($event): array => ['id' => $event->id, 'at' => $event->at->format(\DATE_ATOM), 'kind' => $event->kind->value, 'by' => $event->by, 'note' => $event->note], $timeline->interventions),
            'checks' => array_map(static fn ($check): array => ['id' => $check->id, 'at' => $check->at->format(\DATE_ATOM), 'by' => $check->by, 'reference' => $check->reference, 'adjusted' => $check->content->wasAdjusted(), 'setAside' => $check->setAside?->reason, 'brokenOff' => $check->brokenOff], array_reverse($timeline->checks)),
        ]);
    }

    #[Route('/instruments', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function register(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $instrument = $this->reader->instrument($body);
        RecordReader::format($instrument->family);
        if ($this->entities->find(RegisteredInstrument::class, $instrument->id) !== null) {
            throw Problem::field('/id', 'a unit with this asset number is registered already.');
        }
        $record = self::without($body->data(), 'certificates');
        $this->journal->during($user->code, 'instrument registered', $body->data(), function () use ($instrument, $record, $body, $user): void {
            $this->entities->persist(new RegisteredInstrument($instrument->id, $instrument->family, $record, $user->code, $this->clock->now()));
            $this->entities->flush();
            foreach ($body->objects('certificates') as $certificate) {
                $this->entities->persist(new AddedCertificate($instrument->id, null, $certificate->data(), $user->code, $this->clock->now()));
            }
        });

        return new JsonResponse($this->instrument($this->logbook->instrumentRecord($instrument->id) ?? []), 201);
    }

    #[Route('/references', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function registerReference(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $reference = $this->reader->reference($body);
        if ($reference->kind !== 'acoustic-calibrator') {
            throw Problem::field('/kind', 'must be acoustic-calibrator.');
        }
        if ($this->entities->find(RegisteredReference::class, $reference->id) !== null) {
            throw Problem::field('/id', 'a reference with this asset number is registered already.');
        }
        foreach ($reference->certificates as $place => $certificate) {
            if ($certificate->values === []) {
                throw Problem::field("/certificates/$place/values", 'must give at least one certified level.');
            }
        }
        $this->journal->during($user->code, 'reference registered', $body->data(), function () use ($reference, $body, $user): void {
            $this->entities->persist(new RegisteredReference($reference->id, $reference->kind, self::without($body->data(), 'certificates', 'recalls'), $user->code, $this->clock->now()));
            $this->entities->flush();
            foreach ($body->objects('certificates') as $certificate) {
                $this->entities->persist(new AddedCertificate(null, $reference->id, $certificate->data(), $user->code, $this->clock->now()));
            }
        });

        return new JsonResponse($this->reference($this->logbook->referenceRecords([$reference->id])[$reference->id]), 201);
    }

    #[Route('/{owner}/{id}/certificates', requirements: ['owner' => 'instruments|references'], methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function certificate(string $owner, string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        if ($owner === 'references' && $user->role->value !== 'steward') {
            throw new Problem(403, 'Only a steward adds certificates of references. Nothing was changed.');
        }
        $body = Body::of($request);
        $certificate = $this->reader->certificate($body);
        if ($owner === 'references' && $certificate->values === []) {
            throw Problem::field('/values', 'must give at least one certified level.');
        }
        $class = $owner === 'instruments' ? RegisteredInstrument::class : RegisteredReference::class;
        if ($this->entities->find($class, $id) === null) {
            throw Problem::missing($id);
        }
        $this->journal->during($user->code, 'certificate added', ['of' => $id, ...$body->data()], function () use ($owner, $id, $body, $user): void {
            $this->entities->persist($owner === 'instruments'
                ? new AddedCertificate($id, null, $body->data(), $user->code, $this->clock->now())
                : new AddedCertificate(null, $id, $body->data(), $user->code, $this->clock->now()));
            if ($owner === 'instruments') {
                $this->workings->forgetInstrument($id);
            } else {
                $this->workings->forgetReference($id);
            }
        });

        return new JsonResponse($owner === 'instruments'
            ? $this->instrument($this->logbook->instrumentRecord($id) ?? [])
            : $this->reference($this->logbook->referenceRecords([$id])[$id]), 201);
    }

    #[Route('/references/{id}/recalls', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function recall(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $since = $body->moment('since');
        $until = $body->optionalMoment('until');
        if ($until !== null && $until < $since) {
            throw new InvalidRecord('/until', 'must be after its beginning.');
        }
        $record = ['since' => $since->format(\DATE_ATOM), 'reason' => $body->text('reason'), ...($until === null ? [] : ['until' => $until->format(\DATE_ATOM)])];
        if ($this->entities->find(RegisteredReference::class, $id) === null) {
            throw Problem::missing('Reference '.$id);
        }
        $this->journal->during($user->code, 'reference recalled', ['reference' => $id, ...$record], function () use ($id, $record, $user): void {
            $this->entities->persist(new RecordedRecall($id, $record, $user->code, $this->clock->now()));
            $this->workings->forgetReference($id);
        });

        return new JsonResponse($this->reference($this->logbook->referenceRecords([$id])[$id]), 201);
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    private function instrument(array $record): array
    {
        $unit = $this->reader->instrument(Fields::of($record));
        $latest = null;
        foreach ($unit->certificates as $certificate) {
            if ($latest === null || $certificate->issued > $latest->issued) {
                $latest = $certificate;
            }
        }

        return [
            'id' => $unit->id, 'family' => $unit->family, 'model' => $unit->model, 'microphone' => $unit->microphone, 'class' => $unit->class,
            'selfAdjusting' => $unit->selfAdjusting, 'rangeLow' => $unit->rangeLow?->written, 'rangeHigh' => $unit->rangeHigh?->written,
            'certificates' => $record['certificates'] ?? [], 'due' => $latest?->due->format('Y-m-d'), 'dueState' => $this->dueState($latest?->due),
        ];
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    private function reference(array $record): array
    {
        $reference = $this->reader->reference(Fields::of($record));
        $certificate = $reference->certificateAt($this->clock->now());

        return [
            'id' => $reference->id, 'kind' => $reference->kind, 'model' => $reference->model, 'adapters' => $reference->adapters,
            'certificates' => $record['certificates'] ?? [], 'recalls' => $record['recalls'] ?? [],
            'due' => $certificate?->due->format('Y-m-d'), 'dueState' => $this->dueState($certificate?->due),
        ];
    }

    private function dueState(?\DateTimeImmutable $due): string
    {
        $now = $this->clock->now();

        return match (true) {
            $due === null => 'none',
            $due->modify('+1 day') <= $now => 'past',
            $due <= $now->modify('+'.self::SOON.' days') => 'soon',
            default => 'in date',
        };
    }

    private static function moment(mixed $stored): ?string
    {
        return \is_string($stored) ? (new \DateTimeImmutable($stored, new \DateTimeZone('UTC')))->format(\DATE_ATOM) : null;
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    private static function without(array $data, string ...$names): array
    {
        return array_diff_key($data, array_flip($names));
    }
}
