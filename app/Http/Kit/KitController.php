<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\Shown\TraitsLine;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\AddedCertificate;
use Footnote\App\Logbook\Row\LibraryEntry;
use Footnote\App\Logbook\Row\RecordedRecall;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Channelled;
use Footnote\Core\Judgement\Family;
use Footnote\Core\Judgement\UnitHistory;
use Footnote\Core\Judgement\UnitTrend;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\RecordSchema;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Record\Shelf;
use Footnote\Core\Record\Strangers;
use Footnote\Core\Record\TellsWhatIsLeft;
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
        private Assessor $assessor,
        private ClockInterface $clock,
        private SiteClock $site,
        private Formats $families,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function kit(): JsonResponse
    {
        $instruments = $this->logbook->pairs('SELECT id, record FROM instrument ORDER BY id', []);
        $certificates = $this->logbook->certificates('instrument_id', array_keys($instruments));
        $last = $this->connection->fetchAllKeyValue('SELECT instrument_id, MAX(checked_at) FROM check_record GROUP BY instrument_id');
        $used = $this->connection->fetchAllKeyValue(
            'SELECT reference_id, MAX(checked_at) FROM check_record WHERE reference_id IS NOT NULL GROUP BY reference_id',
        );

        return new JsonResponse([
            'instruments' => array_map(
                fn (int|string $id, array $record): array => [
                    ...$this->instrument([...$record, 'certificates' => $certificates[$id] ?? []]),
                    'lastCheck' => self::moment($last[$id] ?? null),
                ],
                array_keys($instruments),
                array_values($instruments),
            ),
            'references' => array_values(
                array_map(
                    fn (array $record): array => [
                        ...$this->reference($record),
                        'left' => $this->left($record),
                        'lastUse' => self::moment($used[Cells::text($record, 'id')] ?? null),
                    ],
                    $this->logbook->referenceRecords(),
                ),
            ),
        ]);
    }

    /** What the kit asks: of units by family, of references by kind, of library entries by shelf. */
    #[Route('/forms', methods: ['GET'])]
    public function forms(): JsonResponse
    {
        return new JsonResponse([
            'families' => array_map(
                fn (Family $family): array => [
                    'id' => $family->id(),
                    'title' => $family->title(),
                    'entries' => Entry::all($this->families->of($family->id())->instrument()),
                    'run' => Entry::all($this->families->of($family->id())->run()),
                    'interventions' => array_map(
                        static fn (InterventionKind $kind): string => $kind->id(),
                        $this->families->of($family->id())->interventions(),
                    ),
                    'keepsLog' => $this->families->of($family->id()) instanceof KeepsLogs,
                ],
                $this->assessor->families(),
            ),
            'references' => array_map(
                static fn (ReferenceKind $kind): array => [
                    'id' => $kind->id,
                    'title' => $kind->title,
                    'entries' => Entry::all($kind->entries),
                    'constants' => Entry::all($kind->constants),
                    'valueUnit' => $kind->values->value ?? '',
                    'nominal' => $kind->nominal,
                    'beside' => Entry::all($kind->beside),
                    'table' => $kind->table,
                ],
                array_values($this->families->referenceKinds()),
            ),
            'shelves' => array_map(
                static fn (Shelf $shelf): array => [
                    'id' => $shelf->id,
                    'title' => $shelf->title,
                    'one' => $shelf->one,
                    'entries' => Entry::all($shelf->entries),
                ],
                array_values($this->families->shelves()),
            ),
        ]);
    }

    /** The libraries with all their entries. */
    #[Route('/library', methods: ['GET'])]
    public function library(): JsonResponse
    {
        $shelves = [];
        foreach ($this->families->shelves() as $shelf) {
            $items = array_map(
                static fn (array $record): array => [
                    'code' => $record['code'],
                    'name' => $record['name'],
                    'by' => '',
                    'traits' => TraitsLine::shown($shelf->read(Fields::of($record)), $shelf->entries),
                ],
                array_column($shelf->shipped, null, 'code'),
            );
            foreach ($this->connection->fetchAllAssociative(
                'SELECT code, record, recorded_by FROM library_entry WHERE shelf = ? ORDER BY code',
                [$shelf->id],
            ) as $row) {
                $record = $shelf->over(Cells::json($row, 'record'));
                $items[Cells::text($row, 'code')] = [
                    'code' => Cells::text($row, 'code'),
                    'name' => Cells::text($record, 'name'),
                    'by' => Cells::text($row, 'recorded_by'),
                    'traits' => TraitsLine::shown($shelf->read(Fields::of($record)), $shelf->entries),
                ];
            }
            ksort($items);
            $shelves[] = ['id' => $shelf->id, 'title' => $shelf->title, 'one' => $shelf->one, 'items' => array_values($items)];
        }

        return new JsonResponse(['shelves' => $shelves]);
    }

    /** One entry as it stands in the record format, to be kept as a file and taken into another logbook. */
    #[Route('/library/{shelf}/{code}', methods: ['GET'])]
    public function entry(string $shelf, string $code): JsonResponse
    {
        $on = $this->families->shelves()[$shelf] ?? throw Problem::missing('The library '.$shelf);
        $own = $this->connection->fetchAssociative('SELECT record FROM library_entry WHERE shelf = ? AND code = ?', [$shelf, $code]);
        $record = $own === false
            ? (array_column($on->shipped, null, 'code')[$code] ?? throw Problem::missing('The entry '.$code))
            : $on->over(Cells::json($own, 'record'));
        $answer = new JsonResponse(
            $record,
            headers: ['Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9._-]/', '_', $shelf.'-'.$code).'.json"'],
        );

        return $answer->setEncodingOptions(\JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }

    #[Route('/library/{shelf}', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function shelve(string $shelf, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $on = $this->families->shelves()[$shelf] ?? throw Problem::missing('The library '.$shelf);
        $body = Body::of($request);
        $code = $body->id('code');
        $on->read($body);
        if ($this->entities->find(LibraryEntry::class, ['shelf' => $shelf, 'code' => $code]) !== null) {
            throw Problem::field('/code', 'this code is taken. Results lean on the entry as it is: give what differs a code of its own.');
        }
        $this->journal->during($user->code, 'library entry added', ['shelf' => $shelf, ...$body->data()], function () use ($shelf, $code, $body, $user, $on): void {
            $this->entities->persist(new LibraryEntry($shelf, $code, $body->data(), $user->code, $this->clock->now()));
            if (isset($on->shipped()[$code])) {
                // It stands over what came with Footnote: what leaned on that is worked out again.
                $this->workings->forgetAll();
            }
        });

        return $this->library()->setStatusCode(201);
    }

    #[Route('/instruments/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        $record = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
        $timeline = $this->logbook->timeline($id);
        $family = $this->assessor->family($timeline->instrument->family);
        $channels = $family instanceof Channelled ? $family->channels($timeline) : [];
        /** @var array<int|string, UnitHistory> $histories */
        $histories = [];
        foreach ($channels === [] ? [''] : $channels as $channel) {
            $histories[$channel] = $family->bench()->history(
                $family instanceof Channelled && $channel !== '' ? $family->ofChannel($channel, $timeline) : $timeline,
                $this->clock->now(),
            );
        }

        return new JsonResponse([
            ...$this->instrument($record),
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
            'procedures' => array_map(
                static fn (Procedure $procedure): array => ['id' => $procedure->id, 'title' => $procedure->title],
                $family->procedures($timeline->instrument),
            ),
            'interventions' => array_map(
                static fn ($event): array => [
                    'id' => $event->id,
                    'at' => $event->at->format(\DATE_ATOM),
                    'kind' => $event->kind->id(),
                    'by' => $event->by,
                    'note' => $event->note,
                    'channel' => $event->channel,
                ],
                $timeline->interventions,
            ),
            'checks' => array_map(
                static fn ($check): array => [
                    'id' => $check->id,
                    'at' => $check->at->format(\DATE_ATOM),
                    'by' => $check->by,
                    'reference' => $check->reference,
                    'adjusted' => $check->content->wasAdjusted(),
                    'setAside' => $check->setAside?->reason,
                    'brokenOff' => $check->brokenOff,
                ],
                array_reverse($timeline->checks),
            ),
        ]);
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

    #[Route('/instruments', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function register(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $instrument = $this->reader->instrument($body);
        (new Strangers(new RecordSchema($this->families)))->inPiece('instrument', $body->data());
        if ($this->entities->find(RegisteredInstrument::class, $instrument->id) !== null) {
            throw Problem::field('/id', 'a unit with this asset number is registered already.');
        }
        $record = self::without($body->data(), 'certificates');
        $this->journal->during($user->code, 'instrument registered', $body->data(), function () use ($instrument, $record, $body, $user): void {
            $this->entities->persist(
                new RegisteredInstrument($instrument->id, $instrument->family, $record, $user->code, $this->clock->now()),
            );
            $this->entities->flush();
            foreach ($body->objects('certificates') as $certificate) {
                $this->entities->persist(
                    new AddedCertificate($instrument->id, null, $certificate->data(), $user->code, $this->clock->now()),
                );
            }
            foreach (array_filter([$instrument->id, $instrument->serial], \is_string(...)) as $name) {
                $this->workings->forgetLogsNaming($name);
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
        (new Strangers(new RecordSchema($this->families)))->inPiece('reference', $body->data());
        if ($this->entities->find(RegisteredReference::class, $reference->id) !== null) {
            throw Problem::field('/id', 'a reference with this asset number is registered already.');
        }
        foreach ($reference->certificates as $place => $certificate) {
            $this->whole($certificate, $reference->kind, "/certificates/$place");
        }
        $this->journal->during($user->code, 'reference registered', $body->data(), function () use ($reference, $body, $user): void {
            $this->entities->persist(
                new RegisteredReference(
                    $reference->id,
                    $reference->kind,
                    self::without($body->data(), 'certificates', 'recalls'),
                    $user->code,
                    $this->clock->now(),
                ),
            );
            $this->entities->flush();
            foreach ($body->objects('certificates') as $certificate) {
                $this->entities->persist(
                    new AddedCertificate(null, $reference->id, $certificate->data(), $user->code, $this->clock->now()),
                );
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
        $class = $owner === 'instruments' ? RegisteredInstrument::class : RegisteredReference::class;
        if ($this->entities->find($class, $id) === null) {
            throw Problem::missing($id);
        }
        $kind = $owner === 'references' ? Cells::text($this->logbook->referenceRecords([$id])[$id], 'kind') : '';
        $certificate = $this->reader->certificate($body, $this->families->referenceKind($kind));
        if ($owner === 'references') {
            $this->whole($certificate, $kind, '');
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
        $reference = $this->entities->find(RegisteredReference::class, $id) ?? throw Problem::missing('Reference '.$id);
        $kind = $this->families->referenceKind($reference->kind) ?? throw Problem::missing('Kind '.$reference->kind);
        if (!\array_key_exists('error', $body->data())) {
            throw Problem::field('/error', 'say how far it was off, with its sign, or that it is not known (null).');
        }
        $recall = $this->reader->recall($body, $kind);
        $record = array_filter([
            'since' => $recall->since->format(\DATE_ATOM),
            'until' => $recall->until?->format(\DATE_ATOM),
            'reason' => $recall->reason,
            'error' => $recall->error?->written,
        ], \is_string(...));
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
            'id' => $unit->id, 'family' => $unit->family, 'familyTitle' => $this->assessor->family($unit->family)->title(), 'model' => $unit->model, 'about' => TraitsLine::of(
                $unit,
                $this->families->of($unit->family),
            ), 'traits' => [
                ...($unit->serial === null ? [] : [['label' => 'Serial number', 'shown' => $unit->serial, 'flag' => false]]),
                ...TraitsLine::shown($unit->traits, $this->families->of($unit->family)->instrument()),
            ],
            'certificates' => $record['certificates'] ?? [],
            'due' => $latest?->due->format('Y-m-d'),
            'dueState' => $this->dueState($latest?->due),
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
        $certificate = $reference->certificateAt($this->site->now());
        $kind = $this->families->referenceKind($reference->kind);

        return [
            'id' => $reference->id,
            'kind' => $reference->kind,
            'kindTitle' => $kind === null ? $reference->kind : $kind->title,
            'model' => $reference->model,
            'about' => $kind === null ? '' : TraitsLine::line($reference->traits, $kind->entries),
            'valueUnit' => $kind?->values === null ? '' : $kind->values->value,
            'errorUnit' => $kind?->error === null ? '' : $kind->error->value, 'nominal' => $kind === null ? '' : $kind->nominal, 'beside' => Entry::all($kind->beside ?? []),
            'constants' => $certificate === null || $kind === null ? [] : TraitsLine::shown($certificate->constants, $kind->constants),
            'certificates' => $record['certificates'] ?? [], 'recalls' => $record['recalls'] ?? [],
            'due' => $certificate?->due->format('Y-m-d'), 'dueState' => $this->dueState($certificate?->due),
        ];
    }

    /** A certificate of a reference states what its kind lives from. */
    private function whole(Certificate $certificate, string $kind, string $place): void
    {
        if ($certificate->values === [] && $this->families->referenceKind($kind)?->table === true) {
            throw Problem::field($place.'/values', 'must give at least one certified value.');
        }
    }

    private function dueState(?\DateTimeImmutable $due): string
    {
        // Days are those of the site; a certificate is in date through the end of the day it falls due.
        $today = new \DateTimeImmutable($this->site->now()->format('Y-m-d'), new \DateTimeZone('UTC'));
        $day = $due === null ? null : new \DateTimeImmutable($due->format('Y-m-d'), new \DateTimeZone('UTC'));

        return match (true) {
            $day === null => 'none',
            $day < $today => 'past',
            $day <= $today->modify('+'.self::SOON.' days') => 'soon',
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

    /**
     * What the checks say is left of a reference that they use up; null where none does.
     *
     * @param array<string, mixed> $record
     */
    private function left(array $record): ?string
    {
        foreach ($this->families->all() as $format) {
            if ($format instanceof TellsWhatIsLeft && \in_array(Cells::text($record, 'kind'), $format->usedUp(), true)) {
                $reference = $this->reader->reference(Fields::of($record));
                $checks = $this->connection->fetchFirstColumn(
                    'SELECT c.record FROM check_record c JOIN check_leaning l ON l.check_id = c.id'
                        .' WHERE l.reference_id = ? ORDER BY c.checked_at DESC LIMIT 20',
                    [$reference->id],
                );

                return $format->left($reference, array_map(fn (mixed $json): Check => $this->reader->check(
                    Fields::of(json_decode(\is_string($json) ? $json : '', true, 64, \JSON_THROW_ON_ERROR)),
                    $format,
                ), $checks));
            }
        }

        return null;
    }
}
