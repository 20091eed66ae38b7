<?php

declare(strict_types=1);

// The router of PHP's own server by the clock that was set: nothing is put before a router by itself.
require __DIR__.'/moved-clock.php';

return require __DIR__.'/router.php';
