<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/** Photos and documents, and of what they are. */
final readonly class KeptFiles
{
    /** The type of a document. */
    public const DOCUMENT = 'application/pdf';
    /** That of lines that an instrument printed, and under which it stands how they came. */
    public const LINES = 'text/plain';
    public const LINES_TOLD = 'lines';

    public function __construct(private Connection $connection)
    {
    }

    /** @throws Problem where there is no such thing */
    public function refuseUnknown(FileOf $kind, string $of): void
    {
        if ($this->connection->fetchOne('SELECT 1 FROM '.$kind->table().' WHERE id = ?', [$of]) === false) {
            throw Problem::missing(ucfirst($kind->value).' '.$of);
        }
    }

    /**
     * Those of a thing, as they were taken in; of a check also those of the half-done check that it was.
     *
     * @return list<array<string, mixed>> as the record has them, without their bytes
     */
    public function of(FileOf $kind, string $of): array
    {
        $more = $kind === FileOf::Check ? $this->namedBy($of) : [];
        $rows = $this->connection->fetchAllAssociative(
            'SELECT id, of_kind, of_id, record, sha256, size FROM kept_file '
                .'WHERE (of_kind = ? AND of_id = ?) OR id IN (?) ORDER BY recorded_at, id',
            [$kind->value, $of, $more],
            [2 => ArrayParameterType::STRING],
        );

        return array_map(self::told(...), $rows);
    }

    /** @return list<string> their numbers */
    public function numbersOf(FileOf $kind, string $of): array
    {
        return array_map(static fn (array $file): string => Cells::text($file, 'id'), $this->of($kind, $of));
    }

    /** Whether any of them is a picture. */
    public function hasPicture(FileOf $kind, string $of): bool
    {
        return array_filter(
            $this->of($kind, $of),
            static fn (array $file): bool => str_starts_with(Cells::text($file, 'type'), 'image/'),
        ) !== [];
    }

    /**
     * @return array{array<string, mixed>, string} what is told of it, and its bytes
     *
     * @throws Problem where there is none, or where it is not what it was
     */
    public function file(string $id): array
    {
        $row = $this->connection->fetchAssociative('SELECT * FROM kept_file WHERE id = ?', [$id]);
        if ($row === false) {
            throw Problem::missing('File '.$id);
        }

        return [self::told($row), KeptBytes::of($row['bytes'], Cells::text($row, 'sha256'), 'File '.$id)];
    }

    /**
     * Those of what a record of a campaign holds, and those that its checks name.
     *
     * @param array<string, true> $things kind and identifier, such as "run R-00001"
     * @param array<string, true> $named  = and number
     *
     * @return list<string> their numbers
     */
    public function ofAll(array $things, array $named): array
    {
        $numbers = [];
        foreach ($this->connection->fetchAllAssociative('SELECT id, of_kind, of_id FROM kept_file ORDER BY id') as $row) {
            $id = Cells::text($row, 'id');
            if (isset($things[Cells::text($row, 'of_kind').' '.Cells::text($row, 'of_id')]) || isset($named['='.$id])) {
                $numbers[] = $id;
            }
        }

        return $numbers;
    }

    /** @return list<string> that a check's record names */
    private function namedBy(string $check): array
    {
        $row = $this->connection->fetchAssociative('SELECT record FROM check_record WHERE id = ?', [$check]);
        $named = $row === false ? [] : Cells::json($row, 'record')['files'] ?? [];

        return array_values(array_filter(\is_array($named) ? $named : [], \is_string(...)));
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function told(array $row): array
    {
        return [
            'id' => Cells::text($row, 'id'),
            'of' => ['kind' => Cells::text($row, 'of_kind'), 'id' => Cells::text($row, 'of_id')],
            ...Cells::json($row, 'record'),
            'sha256' => Cells::text($row, 'sha256'),
            'size' => \is_numeric($row['size'] ?? null) ? (int) $row['size'] : 0,
        ];
    }
}
