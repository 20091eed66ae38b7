<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\Reports;
use Footnote\App\Logbook\Runs;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Run;

/** What a run may not be: on a unit that runs already, or on a medium that is a blank, or that a stand-in reported on. */
final readonly class FreeUnit
{
    public function __construct(private Runs $runs, private Reports $reports, private PracticeUnits $practice)
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
        $medium = $record['medium'] ?? null;
        if (!\is_string($medium)) {
            return;
        }
        if ($this->runs->isBlank($medium)) {
            throw Problem::field('/medium', 'is kept as a blank: a blank draws no air.');
        }
        if ($this->reports->isSimulated($medium) && !isset($this->practice->all()['='.$run->deployment->instrument])) {
            throw Problem::field('/medium', 'has a report of a stand-in: it is a practice sample.');
        }
    }
}
