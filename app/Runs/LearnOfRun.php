<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\RunFolding;
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
        if (array_intersect_key($fact, array_flip(self::JUDGED)) !== [] && $by->role->value !== 'hygienist') {
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
        $journalled = ['run' => $id, 'reason' => $reason, ...$fact];
        $this->journal->during($by->code, 'run learned', $journalled, function () use ($by, $id, $fact, $reason): void {
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
}
