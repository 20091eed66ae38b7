<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Bench\BringCheck;
use Footnote\App\Http\AwayClock;
use Footnote\App\Http\Body;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is done where no server answers: handed out before, brought afterwards. */
#[Route('/api/bench')]
#[IsGranted('ROLE_TECHNICIAN')]
final readonly class AwayController
{
    #[Route('/prepared', methods: ['GET'])]
    public function prepared(Request $request, #[CurrentUser] User $user, PreparedPresenter $prepared): JsonResponse
    {
        $ids = array_filter(explode(',', $request->query->getString('units')), static fn (string $id): bool => $id !== '');

        return new JsonResponse($prepared->of($user, array_values(array_unique($ids))));
    }

    #[Route('/away', methods: ['POST'])]
    public function bring(Request $request, #[CurrentUser] User $user, BringCheck $bring, DraftPresenter $shown): JsonResponse
    {
        return new JsonResponse($shown->of($bring($user, Body::of($request), AwayClock::of($request))), 201);
    }
}
