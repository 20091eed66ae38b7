<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Logbook\Row\ReportWord;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/**
 * Reports: what each is asked to be, what was said of it, its editions and how these were printed; and the texts of the house.
 *
 * @phpstan-type Edition array{
 *     id: int, edition: int, address: string, digest: string, by: string, at: string, record: array<string, mixed>,
 *     printed: list<array{paper: string, pages: int, sha256: string}>,
 * }
 * @phpstan-type Remark array{
 *     id: int, block: string, words: string, text: string, by: string, at: string,
 *     settled: array{text: string, by: string, at: string}|null,
 * }
 */
final readonly class ClientReports
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * @return list<array{id: string, campaign: string, asked: array<string, mixed>, by: string, at: string, editions: int}> the newest
     *                                                                                                                       first
     */
    public function all(): array
    {
        $editions = $this->connection->fetchAllKeyValue('SELECT report_id, MAX(edition) FROM report_edition GROUP BY report_id');

        $since = $this->askedSince();

        return array_map(static fn (array $row): array => [
            'id' => Cells::text($row, 'id'),
            'campaign' => Cells::text($row, 'campaign_id'),
            'asked' => $since['='.Cells::text($row, 'id')] ?? Cells::json($row, 'record'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
            'editions' => is_numeric($editions[Cells::text($row, 'id')] ?? null) ? (int) $editions[Cells::text($row, 'id')] : 0,
        ], $this->connection->fetchAllAssociative('SELECT * FROM client_report ORDER BY id DESC'));
    }

    /** @return array{id: string, campaign: string, asked: array<string, mixed>, by: string, at: string} */
    public function one(string $id): array
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM client_report WHERE id = ?', [$id]);
        if ($row === false) {
            throw Problem::missing('Report '.$id);
        }

        return [
            'id' => $id,
            'campaign' => Cells::text($row, 'campaign_id'),
            'asked' => $this->askedSince()['='.$id] ?? Cells::json($row, 'record'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
        ];
    }

    /** @return list<Remark> in the order in which they were made */
    public function remarks(string $id): array
    {
        $settled = [];
        foreach ($this->words($id, ReportWord::SETTLED) as $row) {
            $word = Cells::json($row, 'record');
            $settled[Cells::text($word, 'remark')] = [
                'text' => Cells::text($word, 'text'),
                'by' => Cells::text($row, 'recorded_by'),
                'at' => Cells::moment($row, 'recorded_at'),
            ];
        }

        return array_map(static function (array $row) use ($settled): array {
            $word = Cells::json($row, 'record');

            return [
                'id' => (int) Cells::text($row, 'id'),
                'block' => Cells::text($word, 'block'),
                'words' => Cells::text($word, 'words'),
                'text' => Cells::text($word, 'text'),
                'by' => Cells::text($row, 'recorded_by'),
                'at' => Cells::moment($row, 'recorded_at'),
                'settled' => $settled[Cells::text($row, 'id')] ?? null,
            ];
        }, $this->words($id, ReportWord::REMARK));
    }

    /** @return list<Edition> the newest first */
    public function editions(string $id): array
    {
        $printed = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT p.edition_id, p.paper, p.pages, p.sha256 FROM printed_report p JOIN report_edition e ON e.id = p.edition_id'
                .' WHERE e.report_id = ? ORDER BY p.paper',
            [$id],
        ) as $row) {
            $printed[Cells::text($row, 'edition_id')][] = [
                'paper' => Cells::text($row, 'paper'),
                'pages' => (int) Cells::text($row, 'pages'),
                'sha256' => Cells::text($row, 'sha256'),
            ];
        }

        return array_map(static fn (array $row): array => [
            'id' => (int) Cells::text($row, 'id'),
            'edition' => (int) Cells::text($row, 'edition'),
            'address' => Cells::text($row, 'address'),
            'digest' => Cells::text($row, 'digest'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
            'record' => Cells::json($row, 'record'),
            'printed' => $printed[Cells::text($row, 'id')] ?? [],
        ], $this->connection->fetchAllAssociative(
            'SELECT id, edition, address, digest, recorded_by, recorded_at, record FROM report_edition WHERE report_id = ?'
                .' ORDER BY edition DESC',
            [$id],
        ));
    }

    /** @return Edition|null the newest */
    public function last(string $id): ?array
    {
        return $this->editions($id)[0] ?? null;
    }

    /** @return Edition */
    public function edition(string $id, int $edition): array
    {
        foreach ($this->editions($id) as $one) {
            if ($one['edition'] === $edition) {
                return $one;
            }
        }

        throw Problem::missing(\sprintf('Edition %d of report %s', $edition, $id));
    }

    /** All that an edition says, to the letter. */
    public function content(string $id, int $edition): string
    {
        $row = $this->connection->fetchAssociative(
            'SELECT content, digest FROM report_edition WHERE report_id = ? AND edition = ?',
            [$id, $edition],
        );
        $what = \sprintf('Edition %d of report %s', $edition, $id);

        return $row === false
            ? throw Problem::missing($what)
            : KeptBytes::of($row['content'], Cells::text($row, 'digest'), $what);
    }

    public function isPrinted(string $id, int $edition, string $paper): bool
    {
        return $this->connection->fetchOne(
            'SELECT 1 FROM printed_report p JOIN report_edition e ON e.id = p.edition_id'
                .' WHERE e.report_id = ? AND e.edition = ? AND p.paper = ?',
            [$id, $edition, $paper],
        ) !== false;
    }

    /** An edition as it was printed; null where it is not yet. */
    public function printed(string $id, int $edition, string $paper): ?string
    {
        $row = $this->connection->fetchAssociative(
            'SELECT p.bytes, p.sha256 FROM printed_report p JOIN report_edition e ON e.id = p.edition_id'
                .' WHERE e.report_id = ? AND e.edition = ? AND p.paper = ?',
            [$id, $edition, $paper],
        );

        return $row === false
            ? null
            : KeptBytes::of($row['bytes'], Cells::text($row, 'sha256'), \sprintf('Edition %d of report %s in print', $edition, $id));
    }

    /**
     * What a stranger may know who has the address of an edition.
     *
     * @return array{report: string, edition: int, at: string, last: int}|null null where there is none of this address
     */
    public function toStranger(string $address): ?array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT report_id, edition, recorded_at, (SELECT MAX(n.edition) FROM report_edition n WHERE n.report_id = e.report_id) AS last'
                .' FROM report_edition e WHERE address = ?',
            [$address],
        );

        return $row === false ? null : [
            'report' => Cells::text($row, 'report_id'),
            'edition' => (int) Cells::text($row, 'edition'),
            'at' => Cells::moment($row, 'recorded_at'),
            'last' => (int) Cells::text($row, 'last'),
        ];
    }

    /** @return array<string, string> the texts of the house by name, where they were written anew */
    public function texts(): array
    {
        return array_map(static fn (array $row): string => Cells::text($row, 'text'), $this->textRows());
    }

    /** @return array<string, array<string, mixed>> by name: the newest of each, by whom and when */
    public function textRows(): array
    {
        $texts = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT name, text, recorded_by, recorded_at FROM report_text WHERE id IN (SELECT MAX(id) FROM report_text GROUP BY name)',
        ) as $row) {
            $texts[Cells::text($row, 'name')] = $row;
        }

        return $texts;
    }

    /** @return array<string, array<string, mixed>> what was asked otherwise last, by = and the report */
    private function askedSince(): array
    {
        $asked = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT report_id, record FROM report_word WHERE id IN (SELECT MAX(id) FROM report_word WHERE kind = ? GROUP BY report_id)',
            [ReportWord::ASKED],
        ) as $row) {
            $asked['='.Cells::text($row, 'report_id')] = Cells::json($row, 'record');
        }

        return $asked;
    }

    /** @return list<array<string, mixed>> rows in their order */
    private function words(string $id, string $kind): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT * FROM report_word WHERE report_id = ? AND kind = ? ORDER BY id',
            [$id, $kind],
        );
    }
}
