<?php

declare(strict_types=1);

namespace Footnote\App\Http\Access;

use Footnote\App\Access\User;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class SessionController
{
    #[Route('/api/session', methods: ['GET'])]
    public function session(#[CurrentUser] ?User $user): Response
    {
        return new JsonResponse(SignInResponses::session($user));
    }
}
