<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\CheckLeaning;
use Footnote\App\Logbook\Row\RecordedCheck;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\Whole;
use Psr\Clock\ClockInterface;

/** Reads a check as it is to be written down, and keeps it with what it leans on within the change that brings it. */
final readonly class KeepCheck
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Logbook $logbook,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param array<string, mixed> $record
     *
     * @throws InvalidRecord naming everything that is wrong
     */
    public function read(array $record, string $family): Check
    {
        return Whole::read(
            Fields::of($record),
            fn (Fields $all): Check => $this->reader->check($all, $this->families->of($family)),
        );
    }

    /** @param array<string, mixed> $record */
    public function keep(Check $check, array $record, User $by): void
    {
        $leaning = $check->leansOn();
        $known = $this->logbook->references($leaning);
        foreach ($leaning as $reference) {
            if (!isset($known[$reference])) {
                throw Problem::field('/reference', \sprintf('%s is not in the kit.', $reference));
            }
        }
        $this->entities->persist(new RecordedCheck(
            $check->id,
            $check->instrument,
            $check->reference,
            $check->at->setTimezone(new \DateTimeZone('UTC')),
            $record,
            $by->code,
            $this->clock->now(),
        ));
        $this->entities->flush();
        foreach ($leaning as $reference) {
            $this->entities->persist(new CheckLeaning($check->id, $reference, $check->instrument, Moments::text($check->at)));
        }
    }
}
