<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsDoctrineListener;
use Doctrine\ORM\Event\PostPersistEventArgs;
use Doctrine\ORM\Event\PostUpdateEventArgs;
use Doctrine\ORM\Events;
use Doctrine\Persistence\Event\LifecycleEventArgs;
use Doctrine\Persistence\ObjectManager;

/** Which rows of evidence a change has written, to be read back before it stands. */
#[AsDoctrineListener(Events::postPersist)]
#[AsDoctrineListener(Events::postUpdate)]
final class Written
{
    /** @var array<class-string, array<string, string|null>> what each row is, by the class and by = and the key; null: to be read back */
    private array $rows = [];

    public function __construct(private readonly BoundTables $tables)
    {
    }

    public function postPersist(PostPersistEventArgs $event): void
    {
        $this->note($event);
    }

    public function postUpdate(PostUpdateEventArgs $event): void
    {
        $this->note($event);
    }

    /**
     * @param class-string               $class of rows that were written at one time
     * @param array<string, string|null> $rows  what each is, by = and its key as one text; null: it is to be read back
     */
    public function many(string $class, array $rows): void
    {
        if ($this->tables->of($class) === null) {
            return;
        }
        foreach ($rows as $key => $digest) {
            $this->rows[$class][$key] = $digest;
        }
    }

    /** Nothing was written yet. */
    public function begin(): void
    {
        $this->rows = [];
    }

    /** @return array<class-string, array<string, string|null>> what each row is, by the class and by = and the key */
    public function taken(): array
    {
        $rows = $this->rows;
        $this->rows = [];
        ksort($rows);

        return $rows;
    }

    /** @param LifecycleEventArgs<ObjectManager> $event */
    private function note(LifecycleEventArgs $event): void
    {
        $row = $event->getObject();
        $values = $event->getObjectManager()->getClassMetadata($row::class)->getIdentifierValues($row);
        $key = implode('/', array_map(static fn (mixed $value): string => \is_scalar($value) ? (string) $value : '', $values));
        $this->many($row::class, ['='.$key => null]);
    }
}
