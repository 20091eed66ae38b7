<?php

declare(strict_types=1);

namespace Footnote\App\Http\Report;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Report\AskOtherwise;
use Footnote\App\Report\DraftReport;
use Footnote\App\Report\RemarkOnReport;
use Footnote\App\Report\WriteText;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Reports: begun, asked otherwise, read part by part and remarked on; and the texts of the house. */
#[Route('/api/reports')]
final readonly class ReportsController
{
    public function __construct(private ReportPresenter $reports)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        return new JsonResponse($this->reports->all());
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function draft(Request $request, #[CurrentUser] User $user, DraftReport $draft): JsonResponse
    {
        return new JsonResponse($this->reports->one($draft($user, Body::of($request))), 201);
    }

    #[Route('/texts', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function text(Request $request, #[CurrentUser] User $user, WriteText $write): JsonResponse
    {
        $write($user, Body::of($request));

        return new JsonResponse($this->reports->all());
    }

    #[Route('/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        return new JsonResponse($this->reports->one($id));
    }

    #[Route('/{id}/asked', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function ask(string $id, Request $request, #[CurrentUser] User $user, AskOtherwise $ask): JsonResponse
    {
        $ask($user, $id, Body::of($request));

        return new JsonResponse($this->reports->one($id));
    }

    #[Route('/{id}/part', methods: ['GET'])]
    public function part(string $id, Request $request): JsonResponse
    {
        return new JsonResponse($this->reports->part($id, $request->query->getString('part'), AskedEdition::of($request)));
    }

    #[Route('/{id}/remarks', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function remark(string $id, Request $request, #[CurrentUser] User $user, RemarkOnReport $remark): JsonResponse
    {
        $remark($user, $id, Body::of($request));

        return new JsonResponse($this->reports->one($id), 201);
    }

    #[Route('/{id}/remarks/{remark}/settled', requirements: ['remark' => '\d{1,9}'], methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function settle(string $id, int $remark, Request $request, #[CurrentUser] User $user, RemarkOnReport $settle): JsonResponse
    {
        $settle->settle($user, $id, $remark, Body::of($request));

        return new JsonResponse($this->reports->one($id));
    }
}
