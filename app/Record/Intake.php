<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Psr\Clock\ClockInterface;

/** Takes rows in: whoever brings them, all at one time, and without slowing down as it goes. */
final readonly class Intake
{
    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->clock->now();
    }

    public function add(object $row): void
    {
        $this->entities->persist($row);
    }

    public function flush(): void
    {
        $this->entities->flush();
    }

    /** Writes and lets go of what is held, now and then: a long record must not slow down as it goes. */
    public function inBatches(int $place): void
    {
        if ($place % 200 === 0) {
            $this->entities->flush();
            $this->entities->clear();
        }
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
     * @param class-string $class
     *
     * @throws InvalidRecord where it is here already
     */
    public function mustBeNew(string $class, Fields $item, string $name = 'id'): void
    {
        if ($this->has($class, $item->text($name))) {
            throw new InvalidRecord(
                $item->at($name),
                \sprintf('"%s" is in this logbook already; nothing was imported.', $item->text($name)),
            );
        }
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
