<?php

declare(strict_types=1);

namespace Footnote\App\Http\Recall;

use Footnote\App\Access\User;
use Footnote\App\Http\Body;
use Footnote\App\Http\Kit\InstrumentPresenter;
use Footnote\App\Http\Kit\ReferencePresenter;
use Footnote\App\Kit\RecallReference;
use Footnote\App\Kit\RecallUnit;
use Footnote\App\Recall\AskedWhatIf;
use Footnote\App\Recall\Letters;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What a recall would change, asked before anybody makes it; and a recall that is taken back. */
final readonly class WhatIfController
{
    private const PAGE = 100;
    private const OWNERS = AskedWhatIf::REFERENCES.'|'.AskedWhatIf::UNITS;

    public function __construct(private AskedWhatIf $asked)
    {
    }

    #[Route('/api/kit/{owner}/{id}/what-if', requirements: ['owner' => self::OWNERS], methods: ['GET'])]
    public function of(string $owner, string $id): JsonResponse
    {
        return new JsonResponse(['asked' => $this->asked->of($owner, $id)]);
    }

    #[Route('/api/kit/{owner}/{id}/what-if', requirements: ['owner' => self::OWNERS], methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function begin(string $owner, string $id, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        return new JsonResponse($this->asked->told($this->asked->begin($user, $owner, $id, Body::of($request))), 202);
    }

    #[Route('/api/kit/references/{id}/recalls/{place}/taken-back', requirements: ['place' => '\d{1,4}'], methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function takeBack(
        string $id,
        int $place,
        Request $request,
        #[CurrentUser]
        User $user,
        RecallReference $recall,
        ReferencePresenter $references,
    ): JsonResponse {
        $recall->takeBack($user, $id, $place, Body::of($request));

        return new JsonResponse($references->registered($id));
    }

    #[Route('/api/kit/instruments/{id}/recalls', methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function recallUnit(
        string $id,
        Request $request,
        #[CurrentUser]
        User $user,
        RecallUnit $recall,
        InstrumentPresenter $units,
    ): JsonResponse {
        $recall($user, $id, Body::of($request));

        return new JsonResponse($units->registered($id), 201);
    }

    #[Route('/api/kit/instruments/{id}/recalls/{place}/taken-back', requirements: ['place' => '\d{1,4}'], methods: ['POST'])]
    #[IsGranted('ROLE_STEWARD')]
    public function takeUnitBack(
        string $id,
        int $place,
        Request $request,
        #[CurrentUser]
        User $user,
        RecallUnit $recall,
        InstrumentPresenter $units,
    ): JsonResponse {
        $recall->takeBack($user, $id, $place, Body::of($request));

        return new JsonResponse($units->registered($id));
    }

    #[Route('/api/recalls/{id}', methods: ['GET'])]
    public function one(string $id): JsonResponse
    {
        return new JsonResponse($this->asked->told($id));
    }

    #[Route('/api/recalls/{id}/runs', methods: ['GET'])]
    public function runs(string $id, Request $request): JsonResponse
    {
        $page = max(1, min(100000, $request->query->getInt('page', 1)));

        return new JsonResponse([
            'page' => $page,
            'pageSize' => self::PAGE,
            'runs' => $this->asked->runs($id, ($page - 1) * self::PAGE, self::PAGE),
        ]);
    }

    #[Route('/api/recalls/{id}/letters', methods: ['GET'])]
    #[IsGranted('ROLE_LEAD')]
    public function letters(string $id, Letters $letters): JsonResponse
    {
        return new JsonResponse(['letters' => $letters->of($id)]);
    }
}
