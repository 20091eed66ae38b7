<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;

/** What time it is at the site: that of the newest campaign. Days end there, and so do certificates. */
final readonly class SiteClock
{
    public function __construct(private Connection $connection, private ClockInterface $clock)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->clock->now()->setTimezone($this->zone());
    }

    public function zone(): \DateTimeZone
    {
        $zone = $this->connection->fetchOne('SELECT zone FROM campaign ORDER BY id DESC LIMIT 1');

        return new \DateTimeZone(\is_string($zone) ? $zone : 'UTC');
    }
}
