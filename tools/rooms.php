<?php

declare(strict_types=1);

// Draws docs/rooms.svg from the code: who stands on whom. A test says when it is not current.
require __DIR__.'/../vendor/autoload.php';

$root = dirname(__DIR__);
file_put_contents($root.'/docs/rooms.svg', Footnote\Tests\Core\RoomsPicture::svg(Footnote\Tests\Core\House::read($root)));
