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
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
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
        private EvidenceReader $reader,
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
        foreach ($units as $place => $unit) {
            $this->retirements->refuseInstrument($unit, '/units/'.$place);
            $why = $this->whyNot($unit, $procedure);
            if ($why !== null) {
                throw Problem::field('/units/'.$place, $why);
            }
        }
        $told = ['units' => $units, 'instrument' => implode(', ', $units), 'procedure' => $procedure];

        return $this->journal->during($by->code, 'round begun', $told, function () use ($by, $units, $procedure): string {
            $round = new CheckRound((string) new Ulid(), $procedure, $units, $by->code, $this->clock->now());
            $this->entities->persist($round);
            foreach ($units as $unit) {
                $this->begin->half($by, $unit, $procedure)->join($round);
            }

            return $round->id;
        });
    }

    private function whyNot(string $unit, string $procedure): ?string
    {
        $record = $this->logbook->instrumentRecord($unit);
        if ($record === null) {
            return 'is not in the kit.';
        }
        $instrument = $this->reader->instrument(Fields::of($record));
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
