<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Footnote\App\Access\User;
use Footnote\App\Campaigns\AddCampaign;
use Footnote\App\Campaigns\JudgeByPolicy;
use Footnote\App\Campaigns\MeasureAgainst;
use Footnote\App\Http\Body;
use Footnote\App\Report\CampaignPackage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
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

    /** The campaign as a package that is read without the application. */
    #[Route('/{id}/export', methods: ['GET'])]
    public function export(string $id, CampaignPackage $package): BinaryFileResponse
    {
        $path = sys_get_temp_dir().'/footnote-'.bin2hex(random_bytes(8)).'.zip';
        // Read by nobody else, and gone whatever happens.
        $usual = umask(0077);
        register_shutdown_function(static fn (): bool => !is_file($path) || unlink($path));
        $package->zip($id, $path);
        umask($usual);

        return (new BinaryFileResponse($path, 200, ['Content-Type' => 'application/zip']))->setContentDisposition(
            'attachment',
            'footnote-'.preg_replace('/[^A-Za-z0-9._-]/', '_', $id).'.zip',
        )->deleteFileAfterSend();
    }
}
