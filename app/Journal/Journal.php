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
        private Binding $binding,
        private EvidenceCheck $evidence,
        private JournalKey $key,
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
        $within = $connection->isTransactionActive();
        $connection->beginTransaction();
        try {
            $this->lock->take();
            $before = $this->asked->before($actor, $kind);
            if ($before !== null) {
                $connection->rollBack();

                /** @var T */
                return $before['made'];
            }
            $this->sealOwed();
            $this->noteClock();
            [$sequence, $result] = $this->write($actor, $kind, $payload, $change);
            $this->asked->keep($actor, $kind, $result, $sequence);
            $connection->commit();

            return $result;
        } catch (\Throwable $problem) {
            $this->lock->letGo($problem, $within);
            if ($connection->getTransactionNestingLevel() === 0) {
                $this->entities->clear();
            }
            throw $problem instanceof OptimisticLockException || $problem instanceof ConstraintViolationException
                ? new Problem(409, 'Somebody else kept the same, or changed it, meanwhile. Look at it again; nothing was changed.')
                : $problem;
        }
    }

    /**
     * What happened and changed nothing.
     *
     * @param array<string, mixed> $payload
     */
    public function note(string $actor, string $kind, array $payload): void
    {
        $this->during($actor, $kind, $payload, static fn (): null => null);
    }

    /** Evidence from before the journal bound its rows: one entry says what each is. Afterwards there is nothing to do. */
    public function seal(): void
    {
        if ($this->binding->isOwed()) {
            $this->lock->holding($this->sealOwed(...));
        }
    }

    /** With the lock: another may have done it meanwhile. */
    private function sealOwed(): void
    {
        if ($this->binding->isOwed()) {
            $this->write('footnote', 'evidence sealed', [], $this->binding->everything(...));
        }
    }

    /** A clock that went back makes entries look older than those before them: that is said, before anything else is. */
    private function noteClock(): void
    {
        $last = $this->entities->getConnection()->fetchOne('SELECT at FROM journal_entry ORDER BY sequence DESC LIMIT 1');
        $now = $this->clock->now();
        if (\is_string($last) && $now < (new \DateTimeImmutable($last))->modify('-2 seconds')) {
            $told = ['from' => $last, 'to' => JournalEntry::moment($now)];
            $this->write('footnote', 'clock went back', $told, static fn (): null => null);
        }
    }

    /**
     * One entry, with what its change wrote read back before the entry is written.
     *
     * @template T
     *
     * @param array<string, mixed> $payload
     * @param callable(): T        $change
     *
     * @return array{int, T} its sequence, and what the change came to
     */
    private function write(string $actor, string $kind, array $payload, callable $change): array
    {
        [$sequence, $previous] = $this->next();
        $this->binding->begin();
        $result = $change();
        $this->entities->flush();
        $this->append($sequence, $previous, [
            'at' => JournalEntry::moment($this->clock->now()),
            'actor' => $actor,
            'kind' => $kind,
            'payload' => json_encode($payload, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES),
            'binds' => $this->binding->bind($sequence),
        ]);

        return [$sequence, $result];
    }

    /**
     * The next sequence, which what is touched takes as its version: two at once wait for it, and do not fork the chain.
     *
     * @return array{int, string} and the hash before it
     */
    private function next(): array
    {
        $connection = $this->entities->getConnection();
        $head = $connection->fetchAssociative('SELECT sequence, hash FROM journal_head WHERE id = 1');
        if ($head === false) {
            throw new \LogicException('The journal has no head; the database was not migrated.');
        }
        $sequence = (\is_numeric($head['sequence']) ? (int) $head['sequence'] : 0) + 1;
        $connection->executeStatement('UPDATE journal_head SET sequence = ? WHERE id = 1', [$sequence]);

        return [$sequence, \is_string($head['hash']) ? $head['hash'] : self::ROOT];
    }

    /** @param array{at: string, actor: string, kind: string, payload: string, binds: string} $told */
    private function append(int $sequence, string $previous, array $told): void
    {
        $hash = JournalEntry::hashOf($sequence, $told, $previous);
        $connection = $this->entities->getConnection();
        $connection->insert('journal_entry', ['sequence' => $sequence, ...$told, 'previous' => $previous, 'hash' => $hash]);
        $connection->executeStatement(
            'UPDATE journal_head SET hash = ?, mark = ? WHERE id = 1',
            [$hash, $this->key->mark(self::headOf($sequence, $hash))],
        );
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
     * Walks the whole chain, and holds every row of evidence against what it says.
     *
     * @return array{entries: int, fault: string|null} how many hold, and the first thing that does not
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
            $told = [
                'at' => $text('at'),
                'actor' => $text('actor'),
                'kind' => $text('kind'),
                'payload' => $text('payload'),
                'binds' => $text('binds'),
            ];
            if ($text('hash') !== JournalEntry::hashOf($sequence, $told, $previous)) {
                return ['entries' => $expected - 1, 'fault' => \sprintf('entry %d was changed', $sequence)];
            }
            if ($this->binding->told($sequence) !== $text('binds')) {
                return ['entries' => $expected - 1, 'fault' => \sprintf('what entry %d says of rows of evidence was changed', $sequence)];
            }
            $previous = $text('hash');
            ++$expected;
        }
        $head = $this->entities->getConnection()->fetchAssociative('SELECT hash, mark FROM journal_head WHERE id = 1');
        if ($head === false || $head['hash'] !== $previous) {
            return ['entries' => $expected - 1, 'fault' => 'the last entries are missing'];
        }
        $mark = \is_string($head['mark']) ? $head['mark'] : '';
        if ($expected > 1 && $this->key->isSet() && !$this->key->marked(self::headOf($expected - 1, $previous), $mark)) {
            return ['entries' => $expected - 1, 'fault' => $mark === ''
                ? 'its head is not marked by the key: nothing was written since there is one, or somebody took the mark away'
                : 'its head was not written with the key of this journal'];
        }

        foreach ($this->evidence->faults() as $fault) {
            return ['entries' => $expected - 1, 'fault' => $fault];
        }

        return ['entries' => $expected - 1, 'fault' => null];
    }

    /** Where the chain ends now. */
    public function anchor(): Anchor
    {
        $head = $this->entities->getConnection()->fetchAssociative('SELECT sequence, hash FROM journal_head WHERE id = 1');
        $at = $this->clock->now()->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:sp');

        return Anchor::of(
            $at,
            $head !== false && \is_numeric($head['sequence']) ? (int) $head['sequence'] : 0,
            $head !== false && \is_string($head['hash']) ? $head['hash'] : self::ROOT,
            $this->key,
        );
    }

    /** What does not hold of an anchor; null where the chain still holds it. */
    public function against(Anchor $anchor): ?string
    {
        if (!$anchor->isOf($this->key)) {
            return \sprintf('the anchor of %s was not written with the key of this journal', $anchor->at);
        }
        $hash = $anchor->sequence === 0
            ? self::ROOT
            : $this->entities->getConnection()->fetchOne('SELECT hash FROM journal_entry WHERE sequence = ?', [$anchor->sequence]);

        return match (true) {
            $hash === false => \sprintf('entry %d, at which it ended on %s, is not there: it was cut', $anchor->sequence, $anchor->at),
            $hash !== $anchor->hash => \sprintf(
                'entry %d, at which it ended on %s, is another: it was written anew',
                $anchor->sequence,
                $anchor->at,
            ),
            default => null,
        };
    }

    private static function headOf(int $sequence, string $hash): string
    {
        return implode('|', ['head', $sequence, $hash]);
    }
}
