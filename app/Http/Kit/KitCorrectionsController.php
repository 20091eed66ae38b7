<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\CorrectCertificate;
use Footnote\App\Kit\CorrectKit;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What was typed in wrongly of the kit and its certificates. */
#[Route('/api/kit')]
final readonly class KitCorrectionsController
{
    public function __construct(private CorrectKit $kit, private CorrectCertificate $certificates)
    {
    }

    #[Route('/instruments/{id}/correction', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function instrument(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->kit->instrument($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }

    #[Route('/references/{id}/correction', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function reference(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->kit->reference($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }

    #[Route('/instruments/{id}/certificates/correction', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function certificateOfInstrument(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->certificates->ofInstrument($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }

    #[Route('/references/{id}/certificates/correction', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function certificateOfReference(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->certificates->ofReference($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }
}
