<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

/** How a unit or a reference goes on: asked once where it is looked at, since all its checks are read. */
final readonly class TrendController
{
    #[Route('/api/kit/instruments/{id}/trend', methods: ['GET'])]
    public function trend(string $id, TrendPresenter $trends): JsonResponse
    {
        return new JsonResponse($trends->of($id));
    }

    #[Route('/api/kit/references/{id}/trend', methods: ['GET'])]
    public function shared(string $id, TrendPresenter $trends): JsonResponse
    {
        return new JsonResponse($trends->ofReference($id));
    }
}
