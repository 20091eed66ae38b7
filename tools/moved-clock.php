<?php

declare(strict_types=1);

use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\Clock;

// Runs before whatever PHP runs for end-to-end tests and pictures: the clock that the application asks goes ahead by
// FOOTNOTE_CLOCK_AHEAD, s. The application itself has no such switch.
require_once dirname(__DIR__).'/vendor/autoload.php';
Clock::set(new class((int) getenv('FOOTNOTE_CLOCK_AHEAD')) implements ClockInterface {
    public function __construct(private readonly int $ahead)
    {
    }

    public function now(): DateTimeImmutable
    {
        return (new DateTimeImmutable())->modify(sprintf('%+d seconds', $this->ahead));
    }
});
