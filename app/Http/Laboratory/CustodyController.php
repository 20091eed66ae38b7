<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\Routing\Attribute\Route;

final readonly class CustodyController
{
    #[Route('/api/campaigns/{id}/custody', methods: ['GET'])]
    public function custody(string $id, CustodyPresenter $custody): JsonResponse
    {
        return new JsonResponse($custody->of($id));
    }
}
