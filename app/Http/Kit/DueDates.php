<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\SiteClock;

/** Whether a certificate is past, soon due or in date, by the days of the site. */
final readonly class DueDates
{
    /** Days ahead of a due date at which it is pointed out. */
    private const SOON = 45;

    public function __construct(private SiteClock $site)
    {
    }

    public function state(?\DateTimeImmutable $due): string
    {
        // Days are those of the site; a certificate is in date through the end of the day it falls due.
        $today = new \DateTimeImmutable($this->site->now()->format('Y-m-d'), new \DateTimeZone('UTC'));
        $day = $due === null ? null : new \DateTimeImmutable($due->format('Y-m-d'), new \DateTimeZone('UTC'));

        return match (true) {
            $day === null => 'none',
            $day < $today => 'past',
            $day <= $today->modify('+'.self::SOON.' days') => 'soon',
            default => 'in date',
        };
    }
}
