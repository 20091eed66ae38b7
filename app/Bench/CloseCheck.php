<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Formats;
use Psr\Clock\ClockInterface;

/** A half-done check becomes evidence: accepted, or broken off after the reference sounded. One without any answer is put away. */
final readonly class CloseCheck
{
    public function __construct(
        private RecordDraft $recorder,
        private Journal $journal,
        private Drafts $drafts,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param int $version that was seen
     *
     * @return string the check's number
     */
    public function accept(User $by, string $id, int $version): string
    {
        $draft = $this->seen($id, $version);

        return $this->record($by, $draft, 'check recorded', []);
    }

    /**
     * @param int $version that was seen
     *
     * @return string|null the check's number; null where there was nothing to keep
     */
    public function breakOff(User $by, string $id, string $reason, int $version): ?string
    {
        $draft = $this->seen($id, $version);
        if (!DraftCheck::holdsReadings($this->families, $this->drafts->familyOf($draft), $draft->answers())) {
            $told = ['instrument' => $draft->instrument, 'reason' => $reason];
            $this->journal->during($by->code, 'check put away', $told, function () use ($draft): void {
                $draft->close($this->clock->now(), null);
            });

            return null;
        }

        return $this->record($by, $draft, 'check broken off', ['brokenOff' => true, 'remarks' => $reason]);
    }

    /** What is accepted is what was seen; whoever answers meanwhile ends it, since closing it raises its version too. */
    private function seen(string $id, int $version): Draft
    {
        $draft = $this->drafts->open($id);
        if ($draft->version() !== $version) {
            throw new Problem(409, 'This check was answered elsewhere since you saw it. Look at it again; nothing was accepted.');
        }

        return $draft;
    }

    /** @param array<string, mixed> $more that stands in the record beside the answers */
    private function record(User $by, Draft $draft, string $kind, array $more): string
    {
        [$unit, $record] = $this->recorder->written($by, $draft, $more);
        $keep = fn (): string => $this->recorder->keep($by, $draft, $unit, $record);

        return $this->journal->during($by->code, $kind, $this->recorder->told($draft), $keep);
    }
}
