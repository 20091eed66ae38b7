<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\ORM\EntityManagerInterface;

/** The tables of evidence. */
final class BoundTables
{
    /** @var array<class-string, BoundTable|null> by the class of their rows, as far as they were asked for; null: no evidence */
    private array $tables = [];

    public function __construct(private readonly EntityManagerInterface $entities)
    {
    }

    /** @return array<class-string, BoundTable> by the class of their rows */
    public function all(): array
    {
        $tables = [];
        foreach ($this->entities->getMetadataFactory()->getAllMetadata() as $row) {
            $tables[$row->getName()] = $this->of($row->getName());
        }
        ksort($tables);

        return array_filter($tables, static fn (?BoundTable $table): bool => $table !== null);
    }

    /**
     * One by one: a change asks for those that it writes.
     *
     * @param class-string $class of a row
     */
    public function of(string $class): ?BoundTable
    {
        if (!\array_key_exists($class, $this->tables)) {
            $row = $this->entities->getClassMetadata($class);
            $bound = $row->getReflectionClass()->getAttributes(Bound::class)[0] ?? null;
            $this->tables[$class] = $bound === null
                ? null
                : new BoundTable($this->entities->getConnection(), $row, $bound->newInstance()->apart);
        }

        return $this->tables[$class];
    }
}
