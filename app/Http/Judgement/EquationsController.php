<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Judgement\ConfirmSource;
use Footnote\App\Logbook\Sources;
use Footnote\Core\Derivation\Catalogue;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/**
 * The equations that figures name, typeset: served once, filled with the numbers of each figure by who shows them. And the
 * sources that are named from memory, with what was held against its text.
 */
final readonly class EquationsController
{
    #[Route('/api/equations', methods: ['GET'])]
    public function all(Catalogue $catalogue): JsonResponse
    {
        return new JsonResponse(['equations' => $catalogue->entries()]);
    }

    #[Route('/api/sources', methods: ['GET'])]
    public function sources(Sources $sources): JsonResponse
    {
        return new JsonResponse(['fromMemory' => $sources->fromMemory(), 'confirmed' => $sources->confirmed()]);
    }

    #[Route('/api/sources', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function confirm(Request $request, #[CurrentUser] User $user, ConfirmSource $confirm): JsonResponse
    {
        $confirm($user, Body::of($request));

        return new JsonResponse(null, 204);
    }
}
