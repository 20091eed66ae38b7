<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Kit\KitFromTable;
use Footnote\App\Kit\TableText;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Units or references out of a table: read, looked at line by line, registered together. */
#[Route('/api/kit/table')]
#[IsGranted('ROLE_TECHNICIAN')]
final readonly class TableController
{
    public function __construct(private KitFromTable $kit)
    {
    }

    /** A text as rows of cells; nothing is kept. */
    #[Route('/text', methods: ['POST'])]
    public function text(Request $request): JsonResponse
    {
        return new JsonResponse(['rows' => TableText::rows($request->getContent())]);
    }

    #[Route('/look', methods: ['POST'])]
    public function look(Request $request): JsonResponse
    {
        $looked = $this->kit->look(Body::of($request));

        return new JsonResponse([...$looked, 'columns' => (object) $looked['columns']]);
    }

    #[Route('', methods: ['POST'])]
    public function keep(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse(['registered' => $this->kit->keep($user, Body::of($request))], 201);
    }
}
