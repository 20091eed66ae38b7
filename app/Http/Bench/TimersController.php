<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Bench\TimedWait;
use Footnote\App\Bench\Timers;
use Footnote\App\Http\Body;
use Footnote\App\Refusal\Problem;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is waited for, of all units. */
#[Route('/api/bench/timers')]
final readonly class TimersController
{
    public function __construct(private TimersPresenter $shown, private Timers $timers)
    {
    }

    #[Route('', methods: ['GET'], priority: 1)]
    public function all(): JsonResponse
    {
        return new JsonResponse($this->shown->all());
    }

    #[Route('', methods: ['POST'], priority: 1)]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function start(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        $units = $body->texts('units');
        if ($units === [] || \count($units) > 100) {
            throw Problem::field('/units', 'must name from 1 to 100 instruments.');
        }
        $minutes = $body->optionalNumber('minutes', 0.1, Timers::LONGEST / 60) ?? throw Problem::field('/minutes', 'is missing.');
        $what = $body->choice('what', TimedWait::class);
        $this->timers->start($user, $units, $what, (int) round(60 * $minutes));

        return new JsonResponse($this->shown->all(), 201);
    }

    #[Route('/{id}/end', methods: ['POST'], priority: 1)]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function end(string $id): JsonResponse
    {
        $this->timers->end($id);

        return new JsonResponse($this->shown->all());
    }
}
