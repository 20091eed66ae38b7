<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Access\User;
use Footnote\App\Bench\PaperDrafts;
use Footnote\App\Bench\RecordDraft;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** A run that was made where there was no screen is copied from its sheet: the check before it, the run, and the check after it. */
final readonly class CopySheet
{
    public function __construct(
        private PaperDrafts $drafts,
        private RecordDraft $recorder,
        private StartRun $runs,
        private Journal $journal,
    ) {
    }

    /** @return string the run's number */
    public function __invoke(User $by, string $instrument, Fields $told): string
    {
        [$before, $after] = $this->drafts->both($by, $instrument, $told->map('before'), $told->map('after'));
        // A sheet may end with the run: what is not on it is not made up.
        $after = $told->optionalObject('after') === null ? null : $after;
        if (($told->map('run')['stop'] ?? '') === '') {
            throw Problem::field('/run/stop', 'is missing: a sheet of paper tells of a run that is over.');
        }
        [$run, $record] = self::within('run', fn (): array => $this->runs->prepared(
            $by,
            Fields::of([...$told->map('run'), 'instrument' => $instrument]),
        ));
        self::inOrder($before, $run, $after);
        $journal = [
            'instrument' => $instrument,
            'before' => $this->recorder->told($before),
            'run' => $record,
            ...($after === null ? [] : ['after' => $this->recorder->told($after)]),
        ];
        $keepBefore = $this->keeping($by, 'before', $before);
        $keepAfter = $after === null ? null : $this->keeping($by, 'after', $after);

        $keep = function () use ($by, $keepBefore, $run, $record, $keepAfter): string {
            $keepBefore();
            $number = self::within('run', fn (): string => $this->runs->keep($by, $run, $record));
            if ($keepAfter !== null) {
                $keepAfter();
            }

            return $number;
        };

        return $this->journal->during($by->code, 'sheet copied', $journal, $keep);
    }

    /** @return \Closure(): string that keeps a check of the sheet; it is written before the lock is taken */
    private function keeping(User $by, string $part, Draft $draft): \Closure
    {
        [$unit, $record] = $this->recorder->written($by, $draft);

        return fn (): string => self::within($part, fn (): string => $this->recorder->keep($by, $draft, $unit, $record));
    }

    /** The check before the run was made before it, the one after it after; each has its own time on the sheet. */
    private static function inOrder(Draft $before, Run $run, ?Draft $after): void
    {
        $at = self::at($before, '/before/at');
        if ($at > $run->timing->start) {
            throw Problem::field('/before/at', 'is later than the start of the run. Which of the two does the sheet say?');
        }
        if ($after !== null && self::at($after, '/after/at') < $run->timing->stop) {
            throw Problem::field('/after/at', 'is earlier than the end of the run. Which of the two does the sheet say?');
        }
    }

    private static function at(Draft $draft, string $field): \DateTimeImmutable
    {
        $at = $draft->answers()['at'] ?? '';
        if (!\is_string($at) || $at === '') {
            throw Problem::field($field, 'is missing: the time on the sheet, not that of typing it.');
        }

        return Fields::of(['at' => $at], \dirname($field))->moment('at');
    }

    /**
     * What is wrong with a part of the sheet is told at its place on it.
     *
     * @template T
     *
     * @param \Closure(): T $read
     *
     * @return T
     */
    private static function within(string $part, \Closure $read): mixed
    {
        try {
            return $read();
        } catch (InvalidRecord $fault) {
            throw Problem::fields($fault->fields())->below('/'.$part);
        } catch (Problem $problem) {
            throw $problem->below('/'.$part);
        }
    }
}
