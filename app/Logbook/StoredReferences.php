<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\References;

/** The references of the logbook, for one unit; each is read when it is asked for. */
final class StoredReferences implements References
{
    /** @var array<string, Reference|null> by = and their identifier */
    private array $read = [];

    private ?bool $errors = null;

    /** @param \Closure(string): ?Reference $find */
    public function __construct(
        private readonly Connection $connection,
        private readonly string $instrument,
        private readonly \Closure $find,
        private readonly ?SupposedRecall $supposed = null,
    ) {
    }

    public function find(string $id): ?Reference
    {
        return $this->read['='.$id] ??= ($this->find)($id);
    }

    public function all(): array
    {
        $all = [];
        foreach ($this->connection->fetchFirstColumn(
            'SELECT DISTINCT reference_id FROM check_leaning WHERE instrument_id = ? ORDER BY reference_id',
            [$this->instrument],
        ) as $id) {
            $reference = \is_string($id) ? $this->find($id) : null;
            if ($reference !== null) {
                $all[$reference->id] = $reference;
            }
        }

        return $all;
    }

    public function haveKnownErrors(): bool
    {
        return $this->errors ??= $this->supposed?->isKnown() === true || $this->connection->fetchOne(
            "SELECT 1 FROM recall r WHERE r.record ->> 'error' IS NOT NULL AND EXISTS (SELECT 1 FROM check_leaning l"
                .' WHERE l.reference_id = r.reference_id AND l.instrument_id = ?) LIMIT 1',
            [$this->instrument],
        ) !== false;
    }
}
