<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\RunFolding;
use Footnote\App\Logbook\Runs;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Record\Fields;

/** What is learned of a run later: stop, clock, totals, remarks, stretches left out. A value that supersedes another says why. */
final readonly class LearnOfRun
{
    /** What only a hygienist says. */
    private const JUDGED = ['exclusions', 'leftIn', 'restOfDay', 'logWord', 'declaration'];

    public function __construct(
        private Journal $journal,
        private Logbook $logbook,
        private RunFields $fields,
        private FactKeeper $facts,
        private Runs $runs,
    ) {
    }

    public function __invoke(User $by, string $id, Fields $told): void
    {
        $of = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
        $family = Cells::text($this->logbook->instrumentRecord(Cells::text($of, 'instrument')) ?? [], 'family');
        $fact = $this->fields->learned($told, $family);
        $reason = $told->optionalText('reason', 2000) ?? '';
        if ($fact === []) {
            throw new Problem(422, 'Nothing was saved: there is nothing in it about a run.');
        }
        if (array_intersect_key($fact, array_flip(self::JUDGED)) !== [] && !$by->has(Role::Hygienist)) {
            throw new Problem(
                403,
                'Only a hygienist leaves stretches out or in, says what the rest of a day was or whose a log is, or '
                    .'declares a segment representative. Nothing was changed.',
            );
        }
        foreach (['exclusions', 'leftIn'] as $list) {
            if ($told->has($list)) {
                $fact[$list] = array_map(
                    static fn (Fields $stretch): array => [...$stretch->data(), 'by' => $by->code],
                    $told->objects($list),
                );
            }
        }
        foreach (['restOfDay', 'logWord', 'declaration'] as $word) {
            if ($told->has($word)) {
                $fact[$word] = [...$told->object($word)->data(), 'by' => $by->code];
            }
        }
        $seen = $told->optionalNumber('seen', 0, 1e6);
        $journalled = [...$fact, 'run' => $id, 'reason' => $reason];
        $this->journal->during($by->code, 'run learned', $journalled, function () use ($by, $id, $fact, $reason, $seen): void {
            $this->refuseUnseen($id, $fact, $seen === null ? null : (int) $seen);
            $before = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
            foreach ($fact as $name => $value) {
                if (!\in_array($name, RunFolding::LISTS, true)
                    && ($before[$name] ?? null) !== null
                    && $before[$name] !== $value
                    && $reason === '') {
                    throw Problem::field('/reason', \sprintf('say why the %s changes; what was written before stays on record.', $name));
                }
            }
            $this->facts->keep($by, $id, $before, $fact, $reason);
        });
    }

    /**
     * What somebody noted since is not overwritten by who has not seen it; what is added to lists may come from two at once.
     *
     * @param array<string, mixed> $fact
     * @param int|null             $seen how many facts of the run the person saw; null: nobody says
     */
    private function refuseUnseen(string $run, array $fact, ?int $seen): void
    {
        $single = array_diff_key($fact, array_flip(RunFolding::LISTS));
        foreach ($seen === null ? [] : \array_slice($this->runs->facts($run), $seen) as $row) {
            $same = array_keys(array_intersect_key($single, Cells::json($row, 'record')));
            if ($same !== []) {
                throw new Problem(409, \sprintf(
                    '%s noted %s of this run meanwhile. Look at it again; what you typed is still on your screen.',
                    Cells::text($row, 'recorded_by'),
                    implode(' and ', $same),
                ));
            }
        }
    }
}
