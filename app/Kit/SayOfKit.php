<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\RegisteredInstrument;
use Footnote\App\Logbook\Row\RegisteredReference;
use Footnote\App\Logbook\Row\SaidOfKit;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\KitWord;
use Psr\Clock\ClockInterface;

/** Where a thing of the kit is, whose it is, what belongs to it: said anew, whole. */
final readonly class SayOfKit
{
    public const SAID = 'kit word';

    public function __construct(private EntityManagerInterface $entities, private Journal $journal, private ClockInterface $clock)
    {
    }

    /** @param 'instruments'|'references' $owner */
    public function __invoke(User $by, string $owner, string $id, Fields $told): void
    {
        $class = $owner === 'instruments' ? RegisteredInstrument::class : RegisteredReference::class;
        if ($this->entities->find($class, $id) === null) {
            throw Problem::missing($id);
        }
        $strange = array_values(array_diff(array_keys($told->data()), Entry::names(KitWord::entries())));
        if ($strange !== []) {
            throw Problem::field('/'.$strange[0], 'is not asked here.');
        }
        KitWord::read($told);
        $record = $told->data();
        $this->journal->during($by->code, self::SAID, ['of' => $id, 'word' => $record], function () use ($by, $owner, $id, $record): void {
            $this->entities->persist(new SaidOfKit($owner, $id, $record, $by->code, $this->clock->now()));
        });
    }
}
