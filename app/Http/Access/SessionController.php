<?php

declare(strict_types=1);

namespace Footnote\App\Http\Access;

use Footnote\App\Access\ChoosePassword;
use Footnote\App\Access\LetIn;
use Footnote\App\Access\OneTimeCode;
use Footnote\App\Access\TriedTooOften;
use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Who is signed in, and by what. */
#[Route('/api/session')]
final readonly class SessionController
{
    public function __construct(private ChoosePassword $choose, private SignInResponses $responses)
    {
    }

    #[Route('', methods: ['GET'])]
    public function session(#[CurrentUser] ?User $user): Response
    {
        return new JsonResponse($this->responses->session($user));
    }

    /** The first password, by a one-time code; afterwards one signs in by it. */
    #[Route('/first', methods: ['POST'])]
    public function first(Request $request): Response
    {
        $told = Body::of($request);
        $code = OneTimeCode::typed($told->text('oneTimeCode'));
        try {
            $this->choose->first($told->text('name'), $code, $told->word('password') ?? '');
        } catch (TriedTooOften $problem) {
            return SignInResponses::wait($problem);
        }

        return new Response(status: 204);
    }

    /** Another password. It ends every session; the answer says to sign in again. */
    #[Route('/password', methods: ['POST'])]
    public function password(Request $request, #[CurrentUser] User $user): Response
    {
        $told = Body::of($request);
        $this->choose->another($user, $told->word('now') ?? '', $told->word('password') ?? '');

        return new Response(status: 204);
    }

    #[Route('/everywhere', methods: ['POST'])]
    public function everywhere(#[CurrentUser] User $user, LetIn $letIn): Response
    {
        $letIn->signOutEverywhere($user->code, $user->name);

        return new Response(status: 204);
    }
}
