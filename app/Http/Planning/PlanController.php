<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Http\Body;
use Footnote\Core\Procedure\Entry;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

#[Route('/api/plan')]
final readonly class PlanController
{
    /** What is asked for a plan. */
    #[Route('', methods: ['GET'])]
    public function form(): JsonResponse
    {
        return new JsonResponse(['entries' => Entry::all(PlanPresenter::entries())]);
    }

    #[Route('', methods: ['POST'])]
    public function plan(Request $request, PlanPresenter $plan): JsonResponse
    {
        return new JsonResponse($plan->of(Body::of($request)));
    }
}
