<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
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
        return $this->known() ?? new \DateTimeZone('UTC');
    }

    /** Null where there is no campaign yet, and nobody said where the site is. */
    public function known(): ?\DateTimeZone
    {
        $zone = $this->connection->fetchOne('SELECT zone FROM campaign ORDER BY id DESC LIMIT 1');

        return \is_string($zone) ? new \DateTimeZone($zone) : null;
    }

    /** @throws Problem where a moment lies ahead: what has not happened yet is no evidence */
    public function refuseFuture(\DateTimeImmutable $at, string $field): void
    {
        if ($at > $this->now()->modify('+1 minute')) {
            throw Problem::field($field, 'lies in the future.');
        }
    }

    /**
     * The half of a day that a row of checks is told by: "2026-03-02 morning".
     *
     * @param \DateTimeImmutable $at in the zone of the site
     */
    public static function halfDay(\DateTimeImmutable $at): string
    {
        return $at->format('Y-m-d').($at->format('H') < 12 ? ' morning' : ' afternoon');
    }
}
