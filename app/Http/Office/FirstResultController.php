<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Access\User;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What leads a new logbook to its first signed result. */
final readonly class FirstResultController
{
    #[Route('/api/first-result', methods: ['GET'])]
    public function way(#[CurrentUser] User $user, FirstResultPresenter $first): JsonResponse
    {
        return new JsonResponse($first->of($user));
    }
}
