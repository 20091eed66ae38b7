<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** What a run with a microphone brought home, whatever a family writes down beside it. */
interface Heard
{
    public function heard(): NoiseRecord;
}
