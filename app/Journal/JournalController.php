<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\DBAL\Connection;
use Footnote\App\Judgement\Logbook;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

final readonly class JournalController
{
    public function __construct(private Connection $connection, private Journal $journal)
    {
    }

    #[Route('/api/journal', methods: ['GET'])]
    public function entries(Request $request): JsonResponse
    {
        $before = max(1, $request->query->getInt('before', \PHP_INT_MAX));
        $rows = $this->connection->fetchAllAssociative(
            'SELECT sequence, at, actor, kind, payload, hash FROM journal_entry WHERE sequence < ? ORDER BY sequence DESC LIMIT 100',
            [$before],
        );

        return new JsonResponse([
            'entries' => array_map(
                static fn (array $row): array => [
                    'sequence' => (int) Logbook::text($row, 'sequence'),
                    'at' => Logbook::text($row, 'at'),
                    'actor' => Logbook::text($row, 'actor'),
                    'kind' => Logbook::text($row, 'kind'),
                    'payload' => Logbook::text($row, 'payload'),
                    'hash' => Logbook::text($row, 'hash'),
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
