<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\Row\CheckRound;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** Checks of a row of units begin, one after the other on one reference. What is half done of one goes on within it. */
final readonly class BeginRound
{
    /** So many units stand in a row. */
    private const MOST = 40;

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Drafts $drafts,
        private Logbook $logbook,
        private Assessor $assessor,
        private ClockInterface $clock,
        private BeginCheck $begin,
        private Retirements $retirements,
    ) {
    }

    /**
     * @param list<string> $units in the order in which they are checked
     *
     * @return string the round's identifier
     */
    public function __invoke(User $by, array $units, string $procedure): string
    {
        if (\count($units) < 2 || \count($units) > self::MOST || \count(array_unique($units)) < \count($units)) {
            throw Problem::field('/units', \sprintf('must name from 2 to %d instruments, each once.', self::MOST));
        }
        $instruments = [];
        foreach ($units as $place => $unit) {
            $this->retirements->refuseInstrument($unit, '/units/'.$place);
            $instrument = $this->logbook->instrument($unit);
            $why = $instrument === null ? 'is not in the kit.' : $this->whyNot($instrument, $procedure);
            if ($instrument === null || $why !== null) {
                throw Problem::field('/units/'.$place, $why ?? '');
            }
            if ($instruments !== [] && $instrument->isPractice() !== $instruments[0]->isPractice()) {
                throw Problem::field('/units/'.$place, 'is practice where others are not: what they share would be made up.');
            }
            $instruments[] = $instrument;
        }
        $told = ['units' => $units, 'instrument' => implode(', ', $units), 'procedure' => $procedure];

        return $this->journal->during($by->code, 'round begun', $told, function () use ($by, $units, $instruments, $procedure): string {
            $round = new CheckRound((string) new Ulid(), $procedure, $units, $by->code, $this->clock->now());
            $this->entities->persist($round);
            foreach ($instruments as $instrument) {
                $this->begin->half($by, $instrument, $procedure)->join($round);
            }

            return $round->id;
        });
    }

    private function whyNot(Instrument $instrument, string $procedure): ?string
    {
        $unit = $instrument->id;
        $found = Procedure::among($this->assessor->family($instrument->family)->procedures($instrument), $procedure);
        if ($found->id !== $procedure || !$found->suitsARound()) {
            return \sprintf('%s is not checked in this way one after the other with others.', $unit);
        }
        $half = $this->drafts->openOf($unit);
        $other = Cells::text($half?->answers() ?? [], 'procedure');

        return $half === null || $other === '' || $other === $procedure
            ? null
            : \sprintf('%s is in the middle of another check, begun by %s.', $unit, $half->by);
    }
}
