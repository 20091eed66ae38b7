<?php

declare(strict_types=1);

namespace Footnote\App\Http\Journal;

use Footnote\App\Journal\Journal;
use Footnote\App\Journal\JournalChoice;
use Footnote\App\Journal\JournalLines;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

final readonly class JournalController
{
    public function __construct(private Journal $journal, private JournalLines $lines, private SiteClock $site)
    {
    }

    #[Route('/api/journal', methods: ['GET'])]
    public function entries(Request $request): JsonResponse
    {
        $found = $this->lines->chosen($this->choice($request));
        $rows = $this->lines->rows(array_map(static fn (array $row): int => (int) Cells::text($row, 'sequence'), $found));

        return new JsonResponse([
            'entries' => array_map(static fn (array $row): array => self::entry($row, $rows), $found),
            'isAll' => \count($found) < JournalLines::AT_ONCE,
            'actors' => $this->lines->actors(),
        ]);
    }

    #[Route('/api/journal/verify', methods: ['GET'])]
    public function verify(): JsonResponse
    {
        return new JsonResponse($this->journal->verify());
    }

    /**
     * @param array<string, mixed>     $row
     * @param array<int, list<string>> $rows
     *
     * @return array<string, mixed>
     */
    private static function entry(array $row, array $rows): array
    {
        $sequence = (int) Cells::text($row, 'sequence');
        $payload = Cells::text($row, 'payload');
        $told = json_decode($payload, true);
        /** @var array<string, mixed> $told */
        $told = \is_array($told) ? $told : [];
        $binds = Cells::text($row, 'binds');

        return [
            'sequence' => $sequence,
            'at' => Cells::text($row, 'at'),
            'actor' => Cells::text($row, 'actor'),
            'kind' => Cells::text($row, 'kind'),
            'sentence' => JournalSentences::of(Cells::text($row, 'actor'), Cells::text($row, 'kind'), $told),
            'payload' => $payload,
            'rows' => $rows[$sequence] ?? [],
            'rowCount' => $binds === '' ? 0 : (int) explode(' ', $binds)[0],
            'hash' => Cells::text($row, 'hash'),
        ];
    }

    private function choice(Request $request): JournalChoice
    {
        $asked = static fn (string $name): string => mb_substr($request->query->getString($name), 0, 60);
        $day = $asked('day');
        $from = $day === '' ? null : \DateTimeImmutable::createFromFormat('!Y-m-d', $day, $this->site->zone());
        if ($from === false || ($from !== null && $from->format('Y-m-d') !== $day)) {
            throw Problem::field('/day', 'must be a day such as 2026-03-02.');
        }

        return new JournalChoice(
            $request->query->has('before') ? max(1, $request->query->getInt('before')) : null,
            $from,
            $from?->modify('+1 day'),
            $asked('person'),
            $asked('about'),
        );
    }
}
