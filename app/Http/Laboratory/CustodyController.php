<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

final readonly class CustodyController
{
    #[Route('/api/campaigns/{id}/custody', methods: ['GET'])]
    public function custody(string $id, CustodyPresenter $custody): JsonResponse
    {
        return new JsonResponse($custody->of($id));
    }

    /** What a laboratory's stand-in answers of the practice media of a campaign; nothing is kept. */
    #[Route('/api/campaigns/{id}/custody/stand-in', methods: ['GET'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function standIn(string $id, Request $request, CustodyPresenter $custody): Response
    {
        $table = $custody->answered(
            $id,
            $request->query->getString('substance'),
            $request->query->getString('fault'),
        );

        return new Response($table, 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="stand-in-laboratory.csv"',
        ]);
    }
}
