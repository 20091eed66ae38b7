<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\ORM\EntityManagerInterface;

/**
 * Rows prepared beside the logbook, in tables of this connection alone, where nobody waits for them; and taken in by one statement a
 * table, however many they are.
 */
final class Staging
{
    /** @var array<class-string, StagedTable> in the order in which the first row of each came, which is that of taking in */
    private array $tables = [];

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly Written $written,
        private readonly BoundTables $bound,
    ) {
    }

    /** @param string $place where it was written; empty where the logbook may have it already only by a race */
    public function add(object $row, string $place = ''): void
    {
        $this->tables[$row::class] ??= new StagedTable(
            $this->entities->getConnection(),
            $this->entities->getClassMetadata($row::class),
            $this->bound->of($row::class),
        );
        $this->tables[$row::class]->add($row, $place);
    }

    /** @return string|null where the first row was written that the logbook has already */
    public function there(): ?string
    {
        foreach ($this->tables as $table) {
            $place = $table->there();
            if ($place !== null) {
                return $place;
            }
        }

        return null;
    }

    /** Within the transaction that has the lock. */
    public function takeIn(): void
    {
        foreach ($this->tables as $class => $table) {
            $this->written->many($class, $table->takeIn());
        }
    }

    /** Lets go of all that was prepared. */
    public function letGo(): void
    {
        foreach ($this->tables as $table) {
            $table->drop();
        }
        $this->tables = [];
    }
}
