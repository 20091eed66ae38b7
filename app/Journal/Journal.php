<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\DBAL\Exception\ConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\OptimisticLockException;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\WriteLock;
use Psr\Clock\ClockInterface;

/** Makes a change and writes it down in one transaction: either both stand or neither. */
final readonly class Journal
{
    public const ROOT = '0000000000000000000000000000000000000000000000000000000000000000';

    public function __construct(
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
        private AskedOnce $asked,
        private WriteLock $lock,
    ) {
    }

    /**
     * @template T
     *
     * @param array<string, mixed> $payload
     * @param callable(): T        $change
     *
     * @return T what the change came to; where the request that asks for it was carried out before, what it came to then
     *
     * @throws Problem where somebody else kept the same meanwhile
     */
    public function during(string $actor, string $kind, array $payload, callable $change): mixed
    {
        $connection = $this->entities->getConnection();
        $connection->beginTransaction();
        try {
            $this->lock->take();
            $before = $this->asked->before($actor, $kind);
            if ($before !== null) {
                $connection->rollBack();

                /** @var T */
                return $before['made'];
            }
            // Written first, so that the lock is taken before anything is read: two at once wait, not fork the chain.
            $sequence = $this->append($actor, $kind, $payload);
            $result = $change();
            $this->entities->flush();
            $this->asked->keep($actor, $kind, $result, $sequence);
            $connection->commit();

            return $result;
        } catch (\Throwable $problem) {
            $connection->rollBack();
            if ($connection->getTransactionNestingLevel() === 0) {
                $this->entities->clear();
            }
            throw $problem instanceof OptimisticLockException || $problem instanceof ConstraintViolationException
                ? new Problem(409, 'Somebody else kept the same, or changed it, meanwhile. Look at it again; nothing was changed.')
                : $problem;
        }
    }

    /** @param array<string, mixed> $payload */
    private function append(string $actor, string $kind, array $payload): int
    {
        $connection = $this->entities->getConnection();
        $head = $connection->fetchAssociative('SELECT sequence, hash FROM journal_head WHERE id = 1');
        if ($head === false) {
            throw new \LogicException('The journal has no head; the database was not migrated.');
        }
        $sequence = (\is_numeric($head['sequence']) ? (int) $head['sequence'] : 0) + 1;
        $previous = \is_string($head['hash']) ? $head['hash'] : self::ROOT;
        $at = $this->clock->now()->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.vp');
        $json = json_encode($payload, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
        $hash = JournalEntry::hashOf($sequence, $at, $actor, $kind, $json, $previous);
        $connection->insert(
            'journal_entry',
            [
                'sequence' => $sequence,
                'at' => $at,
                'actor' => $actor,
                'kind' => $kind,
                'payload' => $json,
                'previous' => $previous,
                'hash' => $hash,
            ],
        );
        $connection->executeStatement('UPDATE journal_head SET sequence = ?, hash = ? WHERE id = 1', [$sequence, $hash]);

        return $sequence;
    }

    /** Who did what, as the beginning of a sentence. */
    public function told(int $sequence): string
    {
        $row = $this->entities->getConnection()->fetchAssociative('SELECT actor, kind FROM journal_entry WHERE sequence = ?', [$sequence]);

        return $row === false || !\is_string($row['actor']) || !\is_string($row['kind'])
            ? 'It was changed'
            : \sprintf('%s changed this (%s)', $row['actor'], $row['kind']);
    }

    /**
     * Walks the whole chain.
     *
     * @return array{entries: int, fault: string|null} how many hold, and the first that does not
     */
    public function verify(): array
    {
        $previous = self::ROOT;
        $expected = 1;
        foreach ($this->entities->getConnection()->iterateAssociative('SELECT * FROM journal_entry ORDER BY sequence') as $row) {
            $text = static fn (string $name): string => \is_scalar($row[$name] ?? null) ? (string) $row[$name] : '';
            $sequence = (int) $text('sequence');
            if ($sequence !== $expected) {
                return ['entries' => $expected - 1, 'fault' => \sprintf('entry %d is missing', $expected)];
            }
            if ($text('previous') !== $previous) {
                return ['entries' => $expected - 1, 'fault' => \sprintf('entry %d does not follow the one before', $sequence)];
            }
            if ($text('hash') !== JournalEntry::hashOf(
                $sequence,
                $text('at'),
                $text('actor'),
                $text('kind'),
                $text('payload'),
                $previous,
            )) {
                return ['entries' => $expected - 1, 'fault' => \sprintf('entry %d was changed', $sequence)];
            }
            $previous = $text('hash');
            ++$expected;
        }
        $head = $this->entities->getConnection()->fetchOne('SELECT hash FROM journal_head WHERE id = 1');
        if ($head !== $previous) {
            return ['entries' => $expected - 1, 'fault' => 'the last entries are missing'];
        }

        return ['entries' => $expected - 1, 'fault' => null];
    }

    /**
     * @param int|null $sequence null: from the newest
     *
     * @return list<array<string, mixed>> rows before a sequence, the newest first
     */
    public function entriesBefore(?int $sequence): array
    {
        return $this->entities->getConnection()->fetchAllAssociative(
            'SELECT sequence, at, actor, kind, payload, hash FROM journal_entry'
                .($sequence === null ? '' : ' WHERE sequence < ?').' ORDER BY sequence DESC LIMIT 100',
            $sequence === null ? [] : [min($sequence, 2147483647)],
        );
    }
}
