<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\ORM\EntityManagerInterface;

/** The tables of evidence. */
final class BoundTables
{
    /** @var array<class-string, BoundTable>|null */
    private ?array $tables = null;

    public function __construct(private readonly EntityManagerInterface $entities)
    {
    }

    /** @return array<class-string, BoundTable> by the class of their rows */
    public function all(): array
    {
        if ($this->tables === null) {
            $this->tables = [];
            foreach ($this->entities->getMetadataFactory()->getAllMetadata() as $row) {
                $bound = $row->getReflectionClass()->getAttributes(Bound::class)[0] ?? null;
                if ($bound !== null) {
                    $this->tables[$row->getName()] = new BoundTable($this->entities->getConnection(), $row, $bound->newInstance()->apart);
                }
            }
            ksort($this->tables);
        }

        return $this->tables;
    }

    /** @param class-string $class of a row */
    public function of(string $class): ?BoundTable
    {
        return $this->all()[$class] ?? null;
    }
}
