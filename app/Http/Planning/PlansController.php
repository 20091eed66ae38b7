<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\PublicAddress;
use Footnote\App\Planning\PlanDay;
use Footnote\App\Planning\PlannedOtherwise;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Plans of days: made, made again, held against what was done, and printed for the field. */
#[Route('/api/plans')]
final readonly class PlansController
{
    public function __construct(private DayPlanPresenter $plans)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        return new JsonResponse($this->plans->all());
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function make(Request $request, #[CurrentUser] User $user, PlanDay $plan): JsonResponse
    {
        return new JsonResponse($this->plans->one($plan($user, Body::of($request))), 201);
    }

    #[Route('/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        return new JsonResponse($this->plans->one($id));
    }

    #[Route('/{id}', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function again(string $id, Request $request, #[CurrentUser] User $user, PlanDay $plan): JsonResponse
    {
        $told = Body::of($request);
        $seen = (int) $told->decimal('version', '1')->written;
        $plan($user, $told->object('asked'), $id, $seen);

        return new JsonResponse($this->plans->one($id));
    }

    /** Asked beside the plan: it takes as long as planning. */
    #[Route('/{id}/otherwise', methods: ['GET'])]
    public function otherwise(string $id, PlannedOtherwise $otherwise): JsonResponse
    {
        return new JsonResponse(['otherwise' => $otherwise->is($id)]);
    }

    #[Route('/{id}/sheets', methods: ['GET'])]
    public function sheets(
        string $id,
        Request $request,
        #[CurrentUser] User $user,
        PublicAddress $public,
        FieldSheets $sheets,
    ): JsonResponse {
        return new JsonResponse($sheets->of($user, $id, $public->of($request)));
    }
}
