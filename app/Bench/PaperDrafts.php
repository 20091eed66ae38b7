<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\User;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** The checks of a sheet of paper while it is copied: half-done ones that are kept nowhere. */
final readonly class PaperDrafts
{
    public function __construct(
        private Logbook $logbook,
        private EvidenceReader $reader,
        private ModelSheets $sheets,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string               $which   of the two on the sheet
     * @param array<string, mixed> $answers
     */
    public function draft(User $by, string $instrument, string $which, array $answers): Draft
    {
        $unit = $this->unit($instrument);
        $draft = new Draft('paper-'.$which, $unit->id, $by->code, $this->clock->now());
        $told = [
            ...array_diff_key($answers, array_flip(['stepTimes', 'stepWaits', 'together', 'waits'])),
            'fromPaper' => true,
            ModelSheets::ANSWER => $this->sheets->applying($unit)->codes(),
        ];
        $draft->answer($told, Typists::after([], $told, [], $by->code));

        return $draft;
    }

    private function unit(string $instrument): Instrument
    {
        return $this->reader->instrument(
            Fields::of($this->logbook->instrumentRecord($instrument) ?? throw Problem::missing('Instrument '.$instrument)),
        );
    }
}
