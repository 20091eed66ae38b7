<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\LaboratoryReport;
use Footnote\App\Logbook\Row\LaboratoryWord;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Flow\Corrected;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** What a laboratory said later of a report: whether its numbers were corrected. */
final readonly class RecordWord
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Touches $touches,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $id, Fields $told): void
    {
        if ($this->entities->find(LaboratoryReport::class, $id) === null) {
            throw Problem::missing('Report '.$id);
        }
        $record = [];
        foreach (['blankCorrected', 'desorptionCorrected'] as $name) {
            if ($told->has($name)) {
                $record[$name] = $told->choice($name, Corrected::class)->value;
            }
        }
        if ($record === []) {
            throw new Problem(422, 'Nothing was saved: it says nothing about blanks or desorption.');
        }
        $reason = $told->text('reason');
        $journalled = ['report' => $id, 'reason' => $reason, ...$record];
        $this->journal->during($by->code, 'laboratory said', $journalled, function () use ($by, $id, $record, $reason): void {
            $this->entities->persist(new LaboratoryWord($id, $record, $reason, $by->code, $this->clock->now()));
            $this->touches->report($id);
        });
    }
}
