<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\ConfirmedSource;
use Footnote\App\Logbook\Sources;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** A source that was named from memory was held against its text: which edition, which clause, on which day. */
final readonly class ConfirmSource
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Sources $sources,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $user, Fields $told): void
    {
        $source = $told->text('source');
        if (!\in_array($source, array_column($this->sources->fromMemory(), 'source'), true)) {
            throw Problem::field('/source', 'is none that is named from memory.');
        }
        $edition = $told->optionalText('edition', 120) ?? '';
        $clause = $told->optionalText('clause', 120) ?? '';
        $day = $told->day('on');
        if ($edition === '') {
            throw Problem::field('/edition', 'is missing: the edition that it was held against.');
        }
        if ($day > $this->clock->now()->modify('+1 day')) {
            throw Problem::field('/on', 'must be the day on which it was done, and not one to come.');
        }
        $on = $day->format('Y-m-d');
        $this->journal->during(
            $user->code,
            'source confirmed',
            ['source' => $source, 'edition' => $edition, 'clause' => $clause, 'on' => $on],
            function () use ($source, $edition, $clause, $on, $user): void {
                $this->entities->persist(new ConfirmedSource($source, $edition, $clause, $on, $user->code, $this->clock->now()));
            },
        );
    }
}
