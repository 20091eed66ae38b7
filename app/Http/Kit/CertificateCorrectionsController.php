<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\CorrectCertificate;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Certificates that were typed in wrongly, or belong to something else. */
#[Route('/api/kit')]
#[IsGranted('ROLE_TECHNICIAN')]
final readonly class CertificateCorrectionsController
{
    public function __construct(private CorrectCertificate $correct)
    {
    }

    #[Route('/instruments/{id}/certificates/correction', methods: ['POST'])]
    public function instrument(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->correct->ofInstrument($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }

    #[Route('/references/{id}/certificates/correction', methods: ['POST'])]
    public function reference(string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $this->correct->ofReference($user, $id, Body::of($request));

        return new JsonResponse(null, 204);
    }
}
