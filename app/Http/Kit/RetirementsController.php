<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\Retire;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Units and references out of use, and back in it. */
#[Route('/api/kit')]
#[IsGranted('ROLE_STEWARD')]
final readonly class RetirementsController
{
    public function __construct(private Retire $retire)
    {
    }

    #[Route('/instruments/{id}/retirement', methods: ['POST'])]
    public function instrument(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->retire->instrument($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }

    #[Route('/references/{id}/retirement', methods: ['POST'])]
    public function reference(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->retire->reference($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }
}
