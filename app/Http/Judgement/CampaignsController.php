<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\DatabaseLibrary;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Workings;
use Footnote\App\Record\Exporter;
use Footnote\App\Record\Importer;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Air\Substances;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\HasCriteria;
use Footnote\Core\Record\InvalidRecord;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Campaigns: under which policy, against which criteria and limits. One policy version at a time, never one per result. */
#[Route('/api/campaigns')]
final readonly class CampaignsController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private Workings $workings,
        private Policies $policies,
        private Importer $importer,
        private Exporter $exporter,
        private Formats $families,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        $substances = (new DatabaseLibrary($this->connection, $this->families, '', []))->names(Substances::SHELF);
        $counts = $this->connection->fetchAllKeyValue('SELECT campaign_id, COUNT(*) FROM run GROUP BY campaign_id');

        return new JsonResponse(['campaigns' => array_map(fn (Campaign $campaign): array => [
            'id' => $campaign->id,
            'title' => $campaign->title,
            'site' => $campaign->site,
            'zone' => $campaign->zone,
            'policy' => $campaign->policy(),
            'policyChanged' => $campaign->policyWasChanged(),
            'runs' => \is_numeric($counts[$campaign->id] ?? null) ? (int) $counts[$campaign->id] : 0,
            'criteria' => $campaign->yardsticks()['criteria'] ?? [],
            'limits' => $campaign->yardsticks()['limits'] ?? [],
            'quantities' => $this->quantities($campaign, $substances),
        ], $this->entities->getRepository(Campaign::class)->findBy([], ['id' => 'ASC'])), 'shipped' => $this->families->shipped()]);
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function add(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->mayChange($user);
        $body = Body::of($request);
        $id = $body->id('id');
        $zone = $body->text('zone');
        if (!\in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            throw Problem::field('/zone', 'must be a time zone such as Europe/London.');
        }
        if ($this->entities->find(Campaign::class, $id) !== null) {
            throw Problem::field('/id', 'a campaign with this code is here already.');
        }
        $this->journal->during($user->code, 'campaign added', $body->data(), function () use ($body, $id, $zone, $user): void {
            $this->importer->shipPolicies($user->code);
            $campaign = new Campaign($id, $body->text('title'), $body->text('site'), $zone);
            $campaign->measureAgainst($this->families->usual());
            $campaign->judgeBy('standard-1', false);
            $this->entities->persist($campaign);
        });

        return $this->all()->setStatusCode(201);
    }

    /** Judges all unsigned results of the campaign by another policy; that it was changed after results were seen is kept. */
    #[Route('/{id}/policy', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function policy(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->mayChange($user);
        $key = Body::of($request)->text('policy');
        $this->policies->get($key);
        $this->journal->during($user->code, 'campaign judged by another policy', ['campaign' => $id, 'policy' => $key], function () use ($id, $key): void {
            $campaign = $this->entities->find(Campaign::class, $id) ?? throw Problem::missing('Campaign '.$id);
            $seen = $this->connection->fetchOne(
                'SELECT 1 FROM run WHERE campaign_id = ? AND stopped_at IS NOT NULL LIMIT 1',
                [$id],
            ) !== false;
            $campaign->judgeBy($key, $seen);
        });

        return $this->all();
    }

    #[Route('/{id}/yardsticks', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function yardsticks(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->mayChange($user);
        $body = Body::of($request);
        $read = (new EvidenceReader($this->families))->yardsticks($body);
        foreach ([$read->criteria, $read->limits] as $items) {
            $ids = array_map(
                static fn ($item): string => $item instanceof \Footnote\Core\Judgement\Criterion ? $item->id() : $item->id,
                $items,
            );
            if (\count($ids) !== \count(array_unique($ids))) {
                throw new InvalidRecord($items === $read->criteria ? '/criteria' : '/limits', 'two of them have the same identifier.');
            }
        }
        $this->journal->during($user->code, 'campaign measures against', ['campaign' => $id, ...$body->data()], function () use ($id, $body): void {
            $campaign = $this->entities->find(Campaign::class, $id) ?? throw Problem::missing('Campaign '.$id);
            $campaign->measureAgainst(['criteria' => $body->raw('criteria') ?? [], 'limits' => $body->raw('limits') ?? []]);
            $this->workings->forgetCampaign($id);
        });

        return $this->all();
    }

    /** The campaign as a record with its logs, packed. */
    #[Route('/{id}/export', methods: ['GET'])]
    public function export(string $id): BinaryFileResponse
    {
        $path = sys_get_temp_dir().'/footnote-'.bin2hex(random_bytes(8)).'.tar';
        $archive = new \PharData($path);
        $this->exporter->export($id, static function (string $name, string $content) use ($archive): void {
            $archive->addFromString($name, $content);
        });
        unset($archive);

        return (new BinaryFileResponse($path, 200, ['Content-Type' => 'application/x-tar']))->setContentDisposition(
            'attachment',
            'footnote-'.preg_replace('/[^A-Za-z0-9._-]/', '_', $id).'.tar',
        )->deleteFileAfterSend();
    }

    private function mayChange(User $user): void
    {
        if (!\in_array($user->role->value, ['hygienist', 'steward'], true)) {
            throw new Problem(403, 'Only a hygienist or a steward changes a campaign. Nothing was changed.');
        }
    }

    /**
     * What a limit of the campaign can be set for, family by family.
     *
     * @param array<string, string> $substances
     *
     * @return list<array{value: string, words: string, unit: string}>
     */
    private function quantities(Campaign $campaign, array $substances): array
    {
        $quantities = [];
        $criteria = $campaign->yardsticks()['criteria'] ?? [];
        foreach ($this->families->all() as $format) {
            $own = [];
            foreach (\is_array($criteria) ? $criteria : [] as $criterion) {
                if (\is_array($criterion) && $format instanceof HasCriteria && $format->knowsCriterion(Fields::of($criterion))) {
                    $own[] = Fields::of($criterion)->text('id');
                }
            }
            array_push($quantities, ...$format->quantities($own, $substances));
        }

        return $quantities;
    }
}
