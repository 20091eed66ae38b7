<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Bench\PaperDrafts;
use Footnote\App\Http\Body;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Runs\CopySheet;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** A whole run from a sheet of paper, with both checks on one form. */
#[Route('/api/paper/{instrument}')]
#[IsGranted('ROLE_TECHNICIAN')]
final readonly class PaperController
{
    public function __construct(private DraftPresenter $shown, private PaperDrafts $drafts)
    {
    }

    /** What the checks ask and show with these answers; nothing is kept. */
    #[Route('/shown', methods: ['POST'])]
    public function shown(string $instrument, Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $body = Body::of($request);
        [$before, $after] = $this->drafts->both($user, $instrument, $body->map('before'), $body->map('after'));
        // They are kept nowhere.
        $shown = fn (Draft $draft): array => [...$this->shown->of($draft), 'version' => 0];

        return new JsonResponse(['before' => $shown($before), 'after' => $shown($after)]);
    }

    #[Route('', methods: ['POST'])]
    public function copy(string $instrument, Request $request, #[CurrentUser] User $user, CopySheet $copy): JsonResponse
    {
        return new JsonResponse(['run' => $copy($user, $instrument, Body::of($request))], 201);
    }
}
