<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\PackedLog;
use Footnote\Core\Log\SeriesLog;

/** A log in the logbook; its columns are fetched only when they are read. */
final class StoredLog implements SeriesLog
{
    /** @var array<int, PackedLog> */
    private array $open = [];

    /**
     * @param list<LogColumn> $columns
     * @param list<string>    $remarks
     */
    public function __construct(
        private readonly Connection $connection,
        private readonly string $id,
        private readonly array $columns,
        private readonly \DateTimeImmutable $start,
        private readonly float $step,
        private readonly int $length,
        private readonly array $remarks,
    ) {
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
        return ($this->open[$column] ??= $this->fetch($column))->chunks(0);
    }

    private function fetch(int $column): PackedLog
    {
        $packed = $this->connection->fetchOne('SELECT packed FROM log_channel WHERE log_id = ? AND place = ?', [$this->id, $column]);

        return PackedLog::ofStrings([$this->columns[$column]], $this->start, $this->step, $this->length, [Cells::blob($packed)]);
    }
}
