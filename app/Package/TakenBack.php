<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Saying;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\InvalidRecord;

/** Holds what is said here of runs that came in a package against what was said of them where it was packed. */
final readonly class TakenBack
{
    public function __construct(private Workings $workings, private Campaigns $campaigns)
    {
    }

    /**
     * @return array{same: int, otherwise: list<string>} of how many runs the same is said; the names of those of which it is not
     *
     * @throws InvalidRecord|Problem where a run cannot be worked out, or is not here
     */
    public function compared(Unpacked $package): array
    {
        $same = 0;
        $otherwise = [];
        foreach ($package->assessments() as $one) {
            $run = Cells::text($one, 'run');
            if ($this->workings->worked($run, $this->campaigns->policyOf($run))->said === Saying::digest(Saying::of($one))) {
                ++$same;
            } else {
                $otherwise[] = $run;
            }
        }

        return ['same' => $same, 'otherwise' => $otherwise];
    }
}
