<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Bench\AnswerCheck;
use Footnote\App\Bench\BeginCheck;
use Footnote\App\Bench\CloseCheck;
use Footnote\App\Bench\RecordIntervention;
use Footnote\App\Bench\SetCheckAside;
use Footnote\App\Http\Body;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Doing a check, one step at a time. A half-done check is kept with every answer. */
#[Route('/api/bench')]
final readonly class BenchController
{
    public function __construct(private DraftPresenter $shown, private Drafts $drafts)
    {
    }

    #[Route('', methods: ['GET'])]
    public function bench(BenchPresenter $bench): JsonResponse
    {
        return new JsonResponse($bench->bench());
    }

    #[Route('/{instrument}/check', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function begin(string $instrument, Request $request, #[CurrentUser] User $user, BeginCheck $begin): JsonResponse
    {
        return new JsonResponse($this->shown->of($begin($user, $instrument, $request->query->getString('procedure'))));
    }

    #[Route('/drafts/{id}', methods: ['GET'])]
    public function draft(string $id): JsonResponse
    {
        return new JsonResponse($this->shown->of($this->drafts->open($id)));
    }

    #[Route('/drafts/{id}', methods: ['PUT'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function answer(string $id, Request $request, #[CurrentUser] User $user, AnswerCheck $answer): JsonResponse
    {
        $body = Body::of($request);

        return new JsonResponse($this->shown->of($answer($user, $id, $body->map('answers'), self::version($body))));
    }

    #[Route('/drafts/{id}/accept', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function accept(string $id, Request $request, #[CurrentUser] User $user, CloseCheck $close): JsonResponse
    {
        return new JsonResponse(['check' => $close->accept($user, $id, self::version(Body::of($request)))], 201);
    }

    /** A check broken off after the reference sounded is evidence too; one without any answer is only put away. */
    #[Route('/drafts/{id}/break-off', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function breakOff(string $id, Request $request, #[CurrentUser] User $user, CloseCheck $close): JsonResponse
    {
        $body = Body::of($request);
        $check = $close->breakOff($user, $id, $body->optionalText('reason', 2000) ?? '', self::version($body));

        return new JsonResponse(['check' => $check], $check === null ? 200 : 201);
    }

    #[Route('/checks/{id}/set-aside', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function setAside(string $id, Request $request, #[CurrentUser] User $user, SetCheckAside $aside): JsonResponse
    {
        $aside($user, $id, Body::of($request)->text('reason'));

        return new JsonResponse(null, 204);
    }

    #[Route('/{instrument}/interventions', methods: ['POST'])]
    #[IsGranted('ROLE_TECHNICIAN')]
    public function intervene(string $instrument, Request $request, #[CurrentUser] User $user, RecordIntervention $record): JsonResponse
    {
        return new JsonResponse(['id' => $record($user, $instrument, Body::of($request)->data())], 201);
    }

    /** The version of the half-done check that the person saw. */
    public static function version(Fields $body): int
    {
        return (int) ($body->optionalNumber('version', 1, 1e9) ?? throw Problem::field('/version', 'is missing: which one was seen?'));
    }
}
