<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\WriteLock;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\RequestStack;

/**
 * Slows down guessing: after three wrong tries of a name from one address the next has to wait, twice as long each time, at
 * most a minute; after twenty of any names from one address likewise. Only wrong tries count, and another address is not held
 * up. Each try is counted before the password is looked at, one after the other, so that tries at once cannot slip past.
 */
final readonly class SignInThrottle
{
    /** What is older is forgotten, s. */
    private const REMEMBERED = 3600;
    private const LONGEST_WAIT = 60;
    private const FREE_BY_NAME = 3;
    private const FREE_BY_ADDRESS = 20;

    public function __construct(
        private Connection $connection,
        private WriteLock $lock,
        private ClockInterface $clock,
        private RequestStack $requests,
    ) {
    }

    /** Counts a try; it is taken back where it turns out right. */
    public function tried(string $name): void
    {
        $wait = $this->lock->holding(function () use ($name): int {
            $now = $this->clock->now()->getTimestamp();
            $this->connection->executeStatement('DELETE FROM sign_in_attempt WHERE tried_at < ?', [$now - self::REMEMBERED]);
            $wait = max(
                $this->wait($this->nameKey($name), self::FREE_BY_NAME, $now),
                $this->wait($this->addressKey(), self::FREE_BY_ADDRESS, $now),
            );
            foreach ($wait > 0 ? [] : [$this->nameKey($name), $this->addressKey()] as $key) {
                $this->connection->insert('sign_in_attempt', ['attempt_key' => $key, 'tried_at' => $now]);
            }

            return $wait;
        });
        if ($wait > 0) {
            throw new TriedTooOften($wait);
        }
    }

    /** It was right: what was tried of the name is forgotten, and the try does not count against the address. */
    public function wasRight(string $name): void
    {
        $this->connection->executeStatement('DELETE FROM sign_in_attempt WHERE attempt_key = ?', [$this->nameKey($name)]);
        $this->connection->executeStatement(
            'DELETE FROM sign_in_attempt WHERE id = (SELECT MAX(id) FROM sign_in_attempt WHERE attempt_key = ?)',
            [$this->addressKey()],
        );
    }

    /** How long the next try has to wait, s. */
    private function wait(string $key, int $free, int $now): int
    {
        $row = $this->connection->fetchNumeric('SELECT COUNT(*), MAX(tried_at) FROM sign_in_attempt WHERE attempt_key = ?', [$key]);
        $count = $row !== false && is_numeric($row[0]) ? (int) $row[0] : 0;
        $last = $row !== false && is_numeric($row[1] ?? null) ? (int) $row[1] : $now;
        $wait = $count < $free ? 0 : min(self::LONGEST_WAIT, 2 ** min(10, $count - $free));

        return max(0, $wait - max(0, $now - $last));
    }

    private function nameKey(string $name): string
    {
        return hash('sha256', 'name:'.mb_strtolower($name).':'.$this->addressKey());
    }

    private function addressKey(): string
    {
        return hash('sha256', 'address:'.($this->requests->getMainRequest()?->getClientIp() ?? 'none'));
    }
}
