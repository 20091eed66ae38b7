<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** A check of a unit begins, or the one that is half done goes on. */
final readonly class BeginCheck
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Drafts $drafts,
        private Logbook $logbook,
        private Assessor $assessor,
        private Timers $timers,
        private Retirements $retirements,
        private ModelSheets $sheets,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /** @param string $procedure one of those of the unit; none: the usual one */
    public function __invoke(User $by, string $instrument, string $procedure): Draft
    {
        $unit = $this->logbook->instrument($instrument) ?? throw Problem::missing('Instrument '.$instrument);
        $this->retirements->refuseInstrument($instrument, '/instrument');
        $this->knows($unit, $procedure);

        return $this->journal->during(
            $by->code,
            'check begun',
            ['instrument' => $instrument],
            function () use ($by, $unit, $procedure): Draft {
                return $this->half($by, $unit, $procedure);
            },
        );
    }

    /** What is half done of a unit, else a new one, with its sheets to the end; within the change that begins it. */
    public function half(User $by, Instrument $unit, string $procedure): Draft
    {
        $draft = $this->drafts->openOf($unit->id);
        if ($draft === null) {
            $draft = new Draft((string) new Ulid(), $unit->id, $by->code, $this->clock->now());
            // A practice unit is nobody's hardware: its stand-in is there from the start.
            $begun = [
                'procedure' => $procedure,
                ModelSheets::ANSWER => $this->sheets->applying($unit)->codes(),
                StandInSeat::ANSWER => StandInSeat::begin($unit, $this->families, null, $this->clock->now())?->told() ?? [],
            ];
            $draft->answer(array_filter($begun, static fn (mixed $told): bool => $told !== '' && $told !== []), []);
            $this->timers->inherit($draft);
            $this->entities->persist($draft);
        }

        return $draft;
    }

    /** @throws Problem where it is none of the unit's; none is named: the usual one */
    public function knows(Instrument $unit, string $procedure): void
    {
        $procedures = $this->assessor->family($unit->family)->procedures($unit);
        if ($procedure !== '' && Procedure::among($procedures, $procedure)->id !== $procedure) {
            throw Problem::field(
                '/procedure',
                \sprintf('must be one of: %s.', implode(', ', array_map(static fn (Procedure $one): string => $one->id, $procedures))),
            );
        }
    }
}
