<?php

declare(strict_types=1);

namespace Footnote\App\Http\Checks;

use Footnote\App\Access\User;
use Footnote\App\Bench\CorrectCheck;
use Footnote\App\Bench\CorrectionAsked;
use Footnote\App\Http\Body;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Checks as they are on record. */
#[Route('/api/checks')]
final readonly class ChecksController
{
    public function __construct(private CheckPresenter $checks)
    {
    }

    #[Route('/{id}', methods: ['GET'])]
    public function one(string $id, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->checks->page($id, $user));
    }

    /** What was written wrongly is written rightly by another check in its place; the answer is that one. */
    #[Route('/{id}/correction', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function correct(string $id, Request $request, #[CurrentUser] User $user, CorrectCheck $correct): JsonResponse
    {
        return new JsonResponse($this->checks->page($correct($user, $id, CorrectionAsked::of(Body::of($request))), $user), 201);
    }
}
