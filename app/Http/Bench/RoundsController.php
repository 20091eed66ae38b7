<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Bench\BeginRound;
use Footnote\App\Bench\SetUpRound;
use Footnote\App\Http\Body;
use Footnote\App\Logbook\Drafts;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Rounds: a row of units checked one after the other on one reference. */
#[Route('/api/bench/rounds')]
final readonly class RoundsController
{
    public function __construct(private RoundPresenter $shown, private Drafts $drafts)
    {
    }

    #[Route('', methods: ['POST'], priority: 1)]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function begin(Request $request, #[CurrentUser] User $user, BeginRound $begin): JsonResponse
    {
        $body = Body::of($request);
        $round = $begin($user, $body->texts('units'), $body->text('procedure'));

        return new JsonResponse($this->shown->of($this->drafts->round($round)), 201);
    }

    #[Route('/{id}', methods: ['GET'], priority: 1)]
    public function round(string $id): JsonResponse
    {
        return new JsonResponse($this->shown->of($this->drafts->round($id)));
    }

    #[Route('/{id}/reference', methods: ['POST'], priority: 1)]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function reference(string $id, Request $request, #[CurrentUser] User $user, SetUpRound $set): JsonResponse
    {
        $body = Body::of($request);
        $set($user, $id, $body->text('reference'), $body->optionalText('setting', 200) ?? '');

        return new JsonResponse($this->shown->of($this->drafts->round($id)));
    }
}
