<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Access\User;
use Footnote\App\Bench\ConnectStandIn;
use Footnote\App\Bench\HearSource;
use Footnote\App\Bench\TakeReading;
use Footnote\App\Http\Body;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Readings of a half-done check that come by themselves. */
#[Route('/api/bench/drafts/{id}')]
#[IsGranted('ROLE_TECHNICIAN')]
final readonly class SourceController
{
    public function __construct(private DraftPresenter $shown)
    {
    }

    #[Route('/stand-in', methods: ['PUT'])]
    public function connect(string $id, Request $request, ConnectStandIn $connect): JsonResponse
    {
        $body = Body::of($request);
        $version = BenchController::version($body);

        return new JsonResponse($this->shown->of(
            $body->flag('connected')
                ? $connect->connect($id, $body->optionalText('fault', 60) ?? '', $version)
                : $connect->disconnect($id, $version),
        ));
    }

    /** Asked again each second while a source is looked at: nothing is changed, nothing is kept. */
    #[Route('/source', methods: ['POST'])]
    public function hear(string $id, Request $request, Drafts $drafts, HearSource $hear, HeardPresenter $heard): JsonResponse
    {
        $body = Body::of($request);
        $told = $hear($drafts->open($id), $body->text('step'), self::source($body), TakeReading::STRETCH);

        return new JsonResponse($heard->of($told));
    }

    #[Route('/take', methods: ['POST'])]
    public function take(string $id, Request $request, #[CurrentUser] User $user, TakeReading $take): JsonResponse
    {
        $body = Body::of($request);
        $anyway = $body->has('anyway') && $body->flag('anyway');
        $taken = $take($user, $id, $body->text('step'), self::source($body), $anyway, BenchController::version($body));

        return new JsonResponse($this->shown->of($taken));
    }

    private static function source(Fields $body): Fields
    {
        return $body->optionalObject('source') ?? throw Problem::field('/source', 'is missing: where do the lines come from?');
    }
}
