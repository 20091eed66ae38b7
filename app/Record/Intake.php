<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Storage\Staging;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;

/** Takes rows in, whoever brings them: prepared beside the logbook, then all at one time. */
final readonly class Intake
{
    private const MISSING = '~';

    public function __construct(private EntityManagerInterface $entities, private Staging $staging, private ClockInterface $clock)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->clock->now();
    }

    public function add(object $row): void
    {
        $this->staging->add($row);
    }

    /** Of which the logbook has none; where it gets one meanwhile, that one stays as it is. */
    public function addMissing(object $row): void
    {
        $this->staging->add($row, self::MISSING);
    }

    /** Of which the logbook may have none yet. */
    public function addNew(object $row, Fields $item, string $name = 'id'): void
    {
        $this->staging->add($row, $item->at($name).' '.$item->text($name));
    }

    /**
     * @param class-string                 $class
     * @param string|array<string, string> $id
     */
    public function has(string $class, string|array $id): bool
    {
        return $this->entities->find($class, $id) !== null;
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T|null
     */
    public function find(string $class, string $id): ?object
    {
        return $this->entities->find($class, $id);
    }

    /**
     * @throws InvalidRecord where something that must be new is here already
     * @throws CameMeanwhile where the logbook got what it missed when the record was prepared
     */
    public function refuseKnown(): void
    {
        $place = $this->staging->there();
        if ($place === self::MISSING) {
            throw new CameMeanwhile('Another record brought the same meanwhile.');
        }
        if ($place !== null) {
            [$path, $id] = explode(' ', $place, 2);
            throw new InvalidRecord($path, \sprintf('"%s" is in this logbook already; nothing was imported.', $id));
        }
    }

    /** Within the transaction that has the lock. */
    public function takeIn(): void
    {
        $this->refuseKnown();
        $this->staging->takeIn();
    }

    public function letGo(): void
    {
        $this->staging->letGo();
    }

    /** @return array<string, mixed> what was written, less what stands in rows of its own */
    public static function without(Fields $fields, string ...$names): array
    {
        return array_diff_key($fields->data(), array_flip($names));
    }

    public static function utc(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        return $moment->setTimezone(new \DateTimeZone('UTC'));
    }
}
