<?php

declare(strict_types=1);

namespace Footnote\App\Http\Day;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

final readonly class DayController
{
    #[Route('/api/day', methods: ['GET'])]
    public function day(Request $request, DayPresenter $day): JsonResponse
    {
        return new JsonResponse($day->of($request->query->getString('date')));
    }
}
