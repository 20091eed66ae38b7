<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Http\Body;
use Footnote\App\Planning\Samples;
use Footnote\Core\Planning\Demands;
use Footnote\Core\Procedure\Entry;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** A sample alone, outside of any day. */
#[Route('/api/plan')]
final readonly class PlanController
{
    public function __construct(private Samples $samples, private Demands $demands)
    {
    }

    /** What is asked for a plan. */
    #[Route('', methods: ['GET'])]
    public function form(): JsonResponse
    {
        return new JsonResponse([
            'entries' => Entry::all($this->samples->entries()),
            'families' => $this->samples->families(),
            'demands' => array_map(fn (string $family): array => [
                'family' => $family,
                'entries' => Entry::all($this->demands->of($family)?->entries() ?? []),
            ], $this->demands->families()),
        ]);
    }

    #[Route('', methods: ['POST'])]
    public function plan(Request $request, SamplePresenter $sample): JsonResponse
    {
        return new JsonResponse($sample->of(Body::of($request)));
    }
}
