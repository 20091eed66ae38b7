<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\KitCorrected;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KitChanges;
use Footnote\Core\Record\Strangers;
use Psr\Clock\ClockInterface;

/**
 * What was typed in wrongly of a unit or a reference is put right: model, serial number, and what its family or kind asks. What was
 * registered stays on record, and what rests on it is worked out again.
 */
final readonly class CorrectKit
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Logbook $logbook,
        private Touches $touches,
        private EvidenceReader $reader,
        private Formats $families,
        private ClockInterface $clock,
    ) {
    }

    public function instrument(User $by, string $id, Fields $told): void
    {
        $was = $this->logbook->instrumentRecord($id) ?? throw Problem::missing('Instrument '.$id);
        $asked = $this->families->of(Cells::text($was, 'family'))->instrument();
        $is = self::put($was, $told->object('record')->data(), ['model', 'serial', ...Entry::names($asked)]);
        $this->reader->instrument(Fields::of($is));
        Strangers::toRecord($this->families)->inPiece('instrument', $is);
        $record = $this->record($by, $told, $was, $is, $asked);
        $keep = function () use ($by, $id, $record, $was, $is): void {
            $this->entities->persist(new KitCorrected($id, null, $record, $by->code, $this->clock->now()));
            $this->touches->unit($id, null);
            // Logs that name it may be its own, and no other's.
            foreach (array_unique([$id, Cells::text($was, 'serial'), Cells::text($is, 'serial')]) as $name) {
                if ($name !== '') {
                    $this->touches->logsNaming($name);
                }
            }
        };
        $this->journal->during($by->code, 'kit corrected', [...$record, 'of' => $id], $keep);
    }

    public function reference(User $by, string $id, Fields $told): void
    {
        $was = $this->logbook->referenceRecords([$id])[$id] ?? throw Problem::missing('Reference '.$id);
        $asked = $this->families->referenceKind(Cells::text($was, 'kind'))->entries ?? [];
        $is = self::put($was, $told->object('record')->data(), ['model', ...Entry::names($asked)]);
        $this->reader->reference(Fields::of($is));
        Strangers::toRecord($this->families)->inPiece('reference', $is);
        $record = $this->record($by, $told, $was, $is, $asked);
        $keep = function () use ($by, $id, $record): void {
            $this->entities->persist(new KitCorrected(null, $id, $record, $by->code, $this->clock->now()));
            $this->touches->reference($id);
        };
        $this->journal->during($by->code, 'kit corrected', [...$record, 'of' => $id], $keep);
    }

    /**
     * @param array<string, mixed> $was   with its certificates and all that was said since
     * @param array<string, mixed> $told  everything that may be corrected, as it is right
     * @param list<string>         $names of what may be corrected
     *
     * @return array<string, mixed>
     */
    private static function put(array $was, array $told, array $names): array
    {
        $foreign = array_diff(array_map(strval(...), array_keys($told)), $names);
        if ($foreign !== []) {
            throw Problem::field('/record/'.reset($foreign), 'cannot be corrected here.');
        }

        return [...array_diff_key($was, array_flip($names)), ...$told];
    }

    /**
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     * @param list<Entry>          $asked
     *
     * @return array<string, mixed>
     */
    private function record(User $by, Fields $told, array $was, array $is, array $asked): array
    {
        $reason = $told->text('reason');
        $changes = KitChanges::ofPiece($was, $is, $asked);
        if ($changes === []) {
            throw new Problem(422, 'Nothing of it is another than before. Nothing was changed.');
        }
        $fields = [];
        foreach (['model', 'serial', ...Entry::names($asked)] as $name) {
            if (($was[$name] ?? null) !== ($is[$name] ?? null)) {
                $fields[$name] = $is[$name] ?? '';
            }
        }

        return [
            'at' => $this->clock->now()->format(\DATE_ATOM),
            'by' => $by->code,
            'reason' => $reason,
            'changes' => $changes,
            'fields' => $fields,
        ];
    }
}
