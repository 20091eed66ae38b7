<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\SetInterval;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** How often something is wanted of one unit or one reference, where the site has set it: added, never overwritten. */
#[Route('/api/kit')]
#[IsGranted('ROLE_STEWARD')]
final readonly class IntervalsController
{
    public function __construct(private SetInterval $set)
    {
    }

    #[Route('/instruments/{id}/intervals', methods: ['POST'])]
    public function ofInstrument(string $id, Request $request, #[CurrentUser] User $user, InstrumentPresenter $instruments): JsonResponse
    {
        $this->set->ofInstrument($user, $id, Body::of($request));

        return new JsonResponse($instruments->registered($id), 201);
    }

    #[Route('/references/{id}/intervals', methods: ['POST'])]
    public function ofReference(string $id, Request $request, #[CurrentUser] User $user, ReferencePresenter $references): JsonResponse
    {
        $this->set->ofReference($user, $id, Body::of($request));

        return new JsonResponse($references->registered($id), 201);
    }
}
