<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** What was worked out of a run with a microphone: its levels, whatever a family puts beside them. */
interface Levelled
{
    public function levels(): NoiseResults;
}
