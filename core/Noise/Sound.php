<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\FamilyResults;

/** What every run with a microphone has, whatever its family puts beside it. */
final class Sound
{
    /** What it brought home; null for every other run. */
    public static function heard(Run $run): ?NoiseRecord
    {
        return match (true) {
            $run->content instanceof NoiseRecord => $run->content,
            $run->content instanceof Heard => $run->content->heard(),
            default => null,
        };
    }

    /** What was worked out of it; null for every other run, and while it runs. */
    public static function levels(?FamilyResults $results): ?NoiseResults
    {
        return match (true) {
            $results instanceof NoiseResults => $results,
            $results instanceof Levelled => $results->levels(),
            default => null,
        };
    }
}
