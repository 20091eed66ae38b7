<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Laboratory\KeepBlank;
use Footnote\App\Laboratory\KeepTypedReport;
use Footnote\App\Laboratory\RecordWord;
use Footnote\App\Logbook\Reports;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What goes to laboratories and what comes back: blanks, reports typed or read from files, and what is still awaited. */
#[Route('/api/laboratory')]
final readonly class LaboratoryController
{
    public function __construct(private LaboratoryPresenter $laboratory, private Reports $reports)
    {
    }

    #[Route('', methods: ['GET'])]
    public function overview(): JsonResponse
    {
        return new JsonResponse($this->laboratory->overview());
    }

    #[Route('/reports/{id}', methods: ['GET'])]
    public function report(string $id): JsonResponse
    {
        return new JsonResponse(['rows' => $this->reports->rows($id)]);
    }

    /** The file as the laboratory sent it, byte for byte. */
    #[Route('/reports/{id}/file', methods: ['GET'])]
    public function original(string $id): Response
    {
        [$name, $bytes] = $this->reports->original($id);

        return new Response($bytes, 200, [
            'Content-Type' => 'text/plain; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.preg_replace('/[^A-Za-z0-9._-]/', '_', $name).'"',
        ]);
    }

    #[Route('/blanks', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function blank(Request $request, #[CurrentUser] User $user, KeepBlank $keep): JsonResponse
    {
        $keep($user, Body::of($request));

        return new JsonResponse($this->laboratory->overview(), 201);
    }

    #[Route('/reports', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function typed(Request $request, #[CurrentUser] User $user, KeepTypedReport $keep): JsonResponse
    {
        $keep($user, Body::of($request));

        return new JsonResponse($this->laboratory->overview(), 201);
    }

    #[Route('/reports/{id}/word', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function word(string $id, Request $request, #[CurrentUser] User $user, RecordWord $record): JsonResponse
    {
        $record($user, $id, Body::of($request));

        return new JsonResponse($this->laboratory->overview(), 201);
    }

    #[Route('/preview', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function preview(Request $request, ReportGuess $guess): JsonResponse
    {
        return new JsonResponse($guess->of($request->getContent(), rawurldecode($request->headers->get('X-Laboratory', ''))));
    }

    #[Route('/import', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function import(Request $request, #[CurrentUser] User $user, ReportFile $file): Response
    {
        return $file->kept($request, $user);
    }
}
