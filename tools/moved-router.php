<?php

declare(strict_types=1);

// The router of PHP's own server by the clock that was set: nothing is put before a router by itself, and what a response is dated by is
// what a device holds its own clock against.
require __DIR__.'/moved-clock.php';
header_register_callback(static function (): void {
    header('Date: '.gmdate('D, d M Y H:i:s', time() + (int) getenv('FOOTNOTE_CLOCK_AHEAD')).' GMT');
});

return require __DIR__.'/router.php';
