<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Access\User;
use Footnote\App\Campaigns\AddCampaign;
use Footnote\App\Campaigns\JudgeByPolicy;
use Footnote\App\Campaigns\MeasureAgainst;
use Footnote\App\Http\Body;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Campaigns: under which policy, against which criteria and limits. One policy version at a time, never one per result. */
#[Route('/api/campaigns')]
final readonly class CampaignsController
{
    public function __construct(private CampaignsPresenter $campaigns)
    {
    }

    #[Route('', methods: ['GET'])]
    public function all(): JsonResponse
    {
        return new JsonResponse($this->campaigns->all());
    }

    #[Route('/beginnings', methods: ['GET'])]
    public function beginnings(): JsonResponse
    {
        return new JsonResponse($this->campaigns->beginnings());
    }

    #[Route('', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function add(Request $request, #[CurrentUser] User $user, AddCampaign $add): JsonResponse
    {
        $add($user, Body::of($request));

        return new JsonResponse($this->campaigns->all(), 201);
    }

    #[Route('/{id}/policy', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function policy(string $id, Request $request, #[CurrentUser] User $user, JudgeByPolicy $judge): JsonResponse
    {
        $body = Body::of($request);
        $judge($user, $id, $body->text('policy'), $body->text('instead'));

        return new JsonResponse($this->campaigns->all());
    }

    #[Route('/{id}/yardsticks', methods: ['POST'])]
    #[IsGranted('ROLE_LEAD')]
    public function yardsticks(string $id, Request $request, #[CurrentUser] User $user, MeasureAgainst $measure): JsonResponse
    {
        $measure($user, $id, Body::of($request));

        return new JsonResponse($this->campaigns->all());
    }
}
