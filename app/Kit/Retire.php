<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\Row\AddedRetirement;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** Takes a unit or a reference out of use, or back into it, with a reason; nothing that was measured with it changes. */
final readonly class Retire
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Retirements $retirements,
        private ClockInterface $clock,
    ) {
    }

    public function instrument(User $by, string $id, Fields $told): void
    {
        if ($this->entities->find(RegisteredInstrument::class, $id) === null) {
            throw Problem::missing('Instrument '.$id);
        }
        $this->say($by, $id, isset($this->retirements->instruments()['='.$id]), $told, $id, null);
    }

    public function reference(User $by, string $id, Fields $told): void
    {
        if ($this->entities->find(RegisteredReference::class, $id) === null) {
            throw Problem::missing('Reference '.$id);
        }
        $this->say($by, $id, isset($this->retirements->references()['='.$id]), $told, null, $id);
    }

    private function say(User $by, string $id, bool $isRetired, Fields $told, ?string $unit, ?string $reference): void
    {
        $back = $told->flag('back');
        $reason = $told->text('reason');
        if ($back !== $isRetired) {
            throw new Problem(409, $back ? $id.' is in use. Nothing was changed.' : $id.' is out of use already. Nothing was changed.');
        }
        $at = $this->clock->now();
        $record = ['at' => $at->format(\DATE_ATOM), 'by' => $by->code, 'reason' => $reason, ...($back ? ['back' => true] : [])];
        $told = ['of' => $id, 'reason' => $reason];
        $keep = function () use ($by, $unit, $reference, $record, $at): void {
            $this->entities->persist(new AddedRetirement($unit, $reference, $record, $by->code, $at));
        };
        $this->journal->during($by->code, $back ? 'taken back' : 'retired', $told, $keep);
    }
}
