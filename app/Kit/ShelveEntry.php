<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\LibraryEntry;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/** An entry is added to a library; it is never changed, since results lean on it. */
final readonly class ShelveEntry
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Touches $touches,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $shelf, Fields $told): void
    {
        $on = $this->families->shelf($shelf) ?? throw Problem::missing('The library '.$shelf);
        $code = $told->id('code');
        $on->read($told);
        Strangers::toRecord($this->families)->inEntry($on->id, $told->data());
        if ($on->replaces !== null && ($told->optionalText($on->replaces) ?? '') !== '' && !$by->has(Role::Steward)) {
            // What a site asks of its people is not taken away by one of them.
            throw new Problem(403, 'Only a steward puts an entry in the place of another. Nothing was changed.');
        }
        if ($this->entities->find(LibraryEntry::class, ['shelf' => $shelf, 'code' => $code]) !== null) {
            throw Problem::field('/code', 'this code is taken. Results lean on the entry as it is: give what differs a code of its own.');
        }
        $this->journal->during(
            $by->code,
            'library entry added',
            [...$told->data(), 'shelf' => $shelf],
            function () use ($by, $on, $code, $told): void {
                $this->entities->persist(new LibraryEntry($on->id, $code, $told->data(), $by->code, $this->clock->now()));
                if (isset($on->shipped()[$code])) {
                    // It stands over what came with Footnote: what leaned on that is worked out again.
                    $this->touches->libraries();
                }
            },
        );
    }
}
