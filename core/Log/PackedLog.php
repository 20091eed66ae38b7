<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** A log as one packed column of 32-bit whole numbers per channel, held in strings or streams. */
final readonly class PackedLog implements SeriesLog
{
    private const CHUNK = 4096;

    /**
     * @param list<LogColumn> $columns
     * @param list<string>    $remarks what of the file is not in it
     * @param list<resource>  $streams one seekable stream per column, little-endian 32-bit thousandths
     */
    public function __construct(
        private array $columns,
        private \DateTimeImmutable $start,
        private float $step,
        private int $length,
        private array $streams,
        private array $remarks = [],
    ) {
    }

    /**
     * @param list<LogColumn> $columns
     * @param list<string>    $packed
     */
    public static function ofStrings(array $columns, \DateTimeImmutable $start, float $step, int $length, array $packed): self
    {
        $streams = [];
        foreach ($packed as $bytes) {
            $stream = self::memory();
            fwrite($stream, $bytes);
            $streams[] = $stream;
        }

        return new self($columns, $start, $step, $length, $streams);
    }

    /**
     * @param list<LogColumn>        $columns
     * @param list<list<int|null>>   $values thousandths of a dB by column
     */
    public static function ofValues(array $columns, \DateTimeImmutable $start, float $step, array $values): self
    {
        $packed = [];
        foreach ($values as $column) {
            $packed[] = pack('V*', ...array_map(static fn (?int $value): int => ($value ?? self::GAP) & 0xFFFFFFFF, $column));
        }

        return self::ofStrings($columns, $start, $step, \count($values[0] ?? []), $packed);
    }

    /** @return resource a temporary stream that moves from memory to disk when it grows */
    public static function memory()
    {
        $stream = fopen('php://temp/maxmemory:2097152', 'w+');
        if ($stream === false) {
            throw new \RuntimeException('No temporary stream could be opened.');
        }

        return $stream;
    }

    public function columns(): array
    {
        return $this->columns;
    }

    public function start(): \DateTimeImmutable
    {
        return $this->start;
    }

    public function step(): float
    {
        return $this->step;
    }

    public function length(): int
    {
        return $this->length;
    }

    public function remarks(): array
    {
        return $this->remarks;
    }

    public function chunks(int $column): iterable
    {
        $stream = $this->streams[$column];
        rewind($stream);
        while (($bytes = fread($stream, 4 * self::CHUNK)) !== false && $bytes !== '') {
            $values = unpack('l*', $bytes);
            if ($values !== false && $values !== []) {
                /** @var non-empty-list<int> $list */
                $list = array_values($values);
                yield $list;
            }
        }
    }

    /** @return resource the packed bytes of a column, from its beginning */
    public function stream(int $column)
    {
        rewind($this->streams[$column]);

        return $this->streams[$column];
    }
}
