<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Http\Body;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Model sheets. They are added as every entry of a library is. */
#[Route('/api/kit/sheets')]
final readonly class ModelSheetsController
{
    public function __construct(private ModelSheetsPresenter $shown)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        return new JsonResponse($this->shown->all());
    }

    #[Route('/form', methods: ['GET'])]
    public function form(Request $request): JsonResponse
    {
        return new JsonResponse($this->shown->form($request->query->getString('model')));
    }

    /** Changes nothing. */
    #[Route('/preview', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function preview(Request $request): JsonResponse
    {
        return new JsonResponse($this->shown->preview($request->query->getString('model'), Body::of($request)));
    }

    #[Route('/of/{code}', methods: ['GET'])]
    public function page(string $code): JsonResponse
    {
        return new JsonResponse($this->shown->page($code));
    }
}
