<?php

declare(strict_types=1);

namespace Footnote\App\Http\Journal;

use Footnote\App\Journal\Journal;
use Footnote\App\Storage\Cells;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

final readonly class JournalController
{
    public function __construct(private Journal $journal)
    {
    }

    #[Route('/api/journal', methods: ['GET'])]
    public function entries(Request $request): JsonResponse
    {
        $before = max(1, $request->query->getInt('before'));
        $rows = $this->journal->entriesBefore($request->query->has('before') ? $before : null);

        return new JsonResponse([
            'entries' => array_map(
                static fn (array $row): array => [
                    'sequence' => (int) Cells::text($row, 'sequence'),
                    'at' => Cells::text($row, 'at'),
                    'actor' => Cells::text($row, 'actor'),
                    'kind' => Cells::text($row, 'kind'),
                    'payload' => Cells::text($row, 'payload'),
                    'hash' => Cells::text($row, 'hash'),
                ],
                $rows,
            ),
        ]);
    }

    #[Route('/api/journal/verify', methods: ['GET'])]
    public function verify(): JsonResponse
    {
        return new JsonResponse($this->journal->verify());
    }
}
