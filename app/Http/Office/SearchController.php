<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Logbook\Named;
use Footnote\App\Office\Finder;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Family;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What somebody looks for, by a few words, and what runs can be chosen by. */
#[Route('/api/search')]
final readonly class SearchController
{
    private const LONGEST = 120;

    #[Route('', methods: ['GET'])]
    public function search(Request $request, Finder $finder): JsonResponse
    {
        $text = $request->query->getString('text');
        if (mb_strlen($text) > self::LONGEST) {
            throw Problem::field('/text', \sprintf('may have %d characters at most.', self::LONGEST));
        }

        return new JsonResponse(['found' => $finder->find($text)]);
    }

    #[Route('/names', methods: ['GET'])]
    public function names(Request $request, Named $names, Assessor $assessor): JsonResponse
    {
        return new JsonResponse([
            ...$names->ofRuns($request->query->getString('campaign')),
            'families' => array_map(
                static fn (Family $one): array => ['id' => $one->id(), 'title' => $one->title()],
                $assessor->families(),
            ),
        ]);
    }
}
