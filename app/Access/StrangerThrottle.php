<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\RequestStack;

/** Slows down who asks without signing in: so many questions a minute from one address, and then none until a minute has passed. */
final readonly class StrangerThrottle
{
    private const SPAN = 60;
    private const MOST = 30;

    public function __construct(private Connection $connection, private ClockInterface $clock, private RequestStack $requests)
    {
    }

    /** @throws TriedTooOften */
    public function asked(): void
    {
        $now = $this->clock->now()->getTimestamp();
        $key = hash('sha256', 'stranger:'.($this->requests->getMainRequest()?->getClientIp() ?? 'none'));
        $count = $this->connection->fetchOne(
            'SELECT COUNT(*) FROM sign_in_attempt WHERE attempt_key = ? AND tried_at > ?',
            [$key, $now - self::SPAN],
        );
        if (is_numeric($count) && (int) $count >= self::MOST) {
            throw new TriedTooOften(self::SPAN);
        }
        $this->connection->executeStatement(
            'DELETE FROM sign_in_attempt WHERE attempt_key = ? AND tried_at <= ?',
            [$key, $now - self::SPAN],
        );
        $this->connection->insert('sign_in_attempt', ['attempt_key' => $key, 'tried_at' => $now]);
    }
}
