<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\DecidedElsewhere;
use Footnote\Core\Record\Fields;

/** What other logbooks decided of the runs of a record. It comes with the runs, which are new here, and decides nothing here. */
final readonly class DecisionIntake
{
    public function __construct(private Intake $intake)
    {
    }

    public function take(Fields $record, string $actor): void
    {
        foreach ($record->objects('decisions') as $item) {
            $this->intake->add(new DecidedElsewhere($item->id('run'), $item->data(), $actor, $this->intake->now()));
        }
    }
}
