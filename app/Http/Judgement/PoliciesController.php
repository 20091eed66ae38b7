<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Judgement\AddPolicy;
use Footnote\App\Logbook\Policies;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Record\Formats;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Policies: all versions of all of them, and what they settle. */
#[Route('/api/policies')]
final readonly class PoliciesController
{
    #[Route('', methods: ['GET'])]
    public function all(Policies $policies, Assessor $assessor, Formats $formats): JsonResponse
    {
        $newest = $policies->newest();

        return new JsonResponse([
            'policies' => array_map(static fn (array $row): array => [
                'key' => Cells::text($row, 'policy_key'),
                'version' => (int) Cells::text($row, 'version'),
                'newest' => \in_array(Cells::text($row, 'policy_key'), $newest, true),
                'by' => Cells::text($row, 'recorded_by'),
                'at' => Cells::moment($row, 'recorded_at'),
                'data' => $policies->data(Cells::text($row, 'policy_key')),
            ], $policies->versions()),
            'groups' => PolicyQuestions::groups($assessor->topics()),
            'limits' => PolicyQuestions::limits($assessor->families(), array_values($formats->referenceKinds())),
            'questions' => PolicyQuestions::of($assessor->topics()),
        ]);
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function add(Request $request, #[CurrentUser] User $user, AddPolicy $add): JsonResponse
    {
        return new JsonResponse(['key' => $add($user, Body::of($request))], 201);
    }
}
