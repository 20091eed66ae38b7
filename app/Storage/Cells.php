<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

/** Reads and packs the cells of rows as the database gives them. */
final class Cells
{
    /** @param array<mixed> $row */
    public static function text(array $row, string $name): string
    {
        $value = $row[$name] ?? '';

        return \is_scalar($value) ? (string) $value : '';
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    public static function json(array $row, string $name): array
    {
        $data = json_decode(self::text($row, $name), true, 64, \JSON_THROW_ON_ERROR);

        /** @var array<string, mixed> */
        return \is_array($data) ? $data : [];
    }

    /**
     * A moment as it is stored, in UTC, written with its offset.
     *
     * @param array<string, mixed> $row
     */
    public static function moment(array $row, string $name): string
    {
        return (new \DateTimeImmutable(self::text($row, $name), new \DateTimeZone('UTC')))->format(\DATE_ATOM);
    }

    /**
     * Bytes as they are kept in a blob column.
     *
     * @param int $effort 1 to 9: little for what may be made again, more for evidence
     */
    public static function packed(string $bytes, int $effort = 6): string
    {
        $packed = gzcompress($bytes, $effort);

        return $packed === false ? throw new \RuntimeException('Bytes could not be packed.') : $packed;
    }

    /** The bytes that a blob column keeps. */
    public static function blob(mixed $blob): string
    {
        $bytes = \is_resource($blob) ? stream_get_contents($blob) : $blob;
        $text = \is_string($bytes) ? gzuncompress($bytes) : false;
        if ($text === false) {
            throw new \RuntimeException('A stored body cannot be read.');
        }

        return $text;
    }

    /**
     * The objects of a list under a name of what was written, by this release or an earlier one; none where it has no such list.
     *
     * @param array<mixed> $of
     *
     * @return list<array<string, mixed>>
     */
    public static function rows(array $of, string $name): array
    {
        /** @var list<array<string, mixed>> */
        return \is_array($of[$name] ?? null) ? array_values(array_filter($of[$name], \is_array(...))) : [];
    }

    /**
     * The texts of a list under a name of what was written; none where it has no such list.
     *
     * @param array<mixed> $of
     *
     * @return list<string>
     */
    public static function texts(array $of, string $name): array
    {
        return \is_array($of[$name] ?? null) ? array_values(array_filter($of[$name], \is_string(...))) : [];
    }

    /**
     * The object under a name of what was written; empty where there is none.
     *
     * @param array<mixed> $of
     *
     * @return array<string, mixed>
     */
    public static function map(array $of, string $name): array
    {
        /** @var array<string, mixed> */
        return \is_array($of[$name] ?? null) ? $of[$name] : [];
    }
}
