<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Logbook\Runs;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Run;

/** What a run may not be: on a unit that runs already, or on a medium that is a blank. */
final readonly class FreeUnit
{
    public function __construct(private Runs $runs)
    {
    }

    /**
     * @param array<string, mixed> $record
     *
     * @throws Problem
     */
    public function check(Run $run, array $record): void
    {
        $other = $this->runs->meanwhile($run, $run->deployment->instrument);
        if ($other !== null) {
            throw Problem::field('/start', \sprintf('run %s is on this instrument at that time.', $other));
        }
        if (\is_string($record['medium'] ?? null) && $this->runs->isBlank($record['medium'])) {
            throw Problem::field('/medium', 'is kept as a blank: a blank draws no air.');
        }
    }
}
