<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\Row\PolicyVersion;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\PolicyReader;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Policies are read, and copied with changes as new versions. None is ever changed in place. */
#[Route('/api/policies')]
final readonly class PoliciesController
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Connection $connection,
        private Journal $journal,
        private Policies $policies,
        private PolicyReader $reader,
        private Assessor $assessor,
        private ClockInterface $clock,
    ) {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT policy_key, version, recorded_by, recorded_at FROM policy_version '.Policies::ORDER,
        );
        $newest = $this->policies->newest();

        return new JsonResponse(['policies' => array_map(fn (array $row): array => [
            'key' => Cells::text($row, 'policy_key'),
            'version' => (int) Cells::text($row, 'version'),
            'newest' => \in_array(Cells::text($row, 'policy_key'), $newest, true),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
            'data' => $this->policies->data(Cells::text($row, 'policy_key')),
        ], $rows), 'groups' => PolicyQuestions::groups($this->assessor->topics()), 'questions' => PolicyQuestions::of($this->assessor->topics())]);
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function add(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $base = $this->policies->data($body->text('basedOn'));
        $id = strtolower($body->id('id'));
        $changes = $body->map('rules');
        $rules = $base['rules'];
        foreach ($changes as $rule => $change) {
            if (!isset($rules[$rule]) || !\is_array($change)) {
                throw Problem::field('/rules/'.$rule, 'is no rule of the policy it is based on.');
            }
            foreach (['severity', 'source', 'mark'] as $name) {
                if (\is_string($change[$name] ?? null)) {
                    $rules[$rule][$name] = $change[$name];
                }
            }
            $limits = $rules[$rule]['limits'] ?? [];
            foreach (\is_array($change['limits'] ?? null) ? $change['limits'] : [] as $limit => $value) {
                if (!\is_string($limit) || !isset($limits[$limit]) || !\is_array($value)) {
                    throw Problem::field("/rules/$rule/limits/$limit", 'is no limit of this rule.');
                }
                foreach (['value', 'comparator'] as $name) {
                    if (\is_string($value[$name] ?? null)) {
                        $limits[$limit][$name] = str_replace(',', '.', trim($value[$name]));
                    }
                }
            }
            $rules[$rule]['limits'] = $limits;
        }
        $reported = [...($base['reported'] ?? [])];
        foreach ($body->map('reported') as $response => $answer) {
            $reported[$response] = \is_string($answer) ? $answer : '';
        }
        $choices = [...($base['choices'] ?? [])];
        foreach ($body->map('choices') as $name => $choice) {
            $choices[$name] = \is_string($choice) ? $choice : '';
        }
        $key = $this->journal->during($user->code, 'policy added', ['id' => $id, 'basedOn' => $body->raw('basedOn'), 'reported' => $reported, 'choices' => $choices, 'rules' => $changes], function () use ($id, $body, $base, $rules, $reported, $choices, $user): string {
            $latest = $this->connection->fetchOne('SELECT MAX(version) FROM policy_version WHERE policy_id = ?', [$id]);
            $version = (\is_numeric($latest) ? (int) $latest : 0) + 1;
            $data = [
                ...$base,
                'id' => $id,
                'name' => $body->text('name'),
                'version' => $version,
                'summary' => $body->optionalText('summary', 1000) ?? '',
                'reported' => $reported,
                'choices' => $choices,
                'rules' => $rules,
            ];
            $this->reader->read($data);
            $this->entities->persist(new PolicyVersion($id.'-'.$version, $id, $version, $data, $user->code, $this->clock->now()));

            return $id.'-'.$version;
        });

        return new JsonResponse(['key' => $key], 201);
    }
}
