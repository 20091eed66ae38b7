<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Decisions;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Refusal\Problem;
use Psr\Clock\ClockInterface;

/**
 * A run that was begun in error is withdrawn: it stays on record, and its unit was free. One that brought something home, or was
 * decided, only a hygienist withdraws: what was measured would go with it.
 */
final readonly class WithdrawRun
{
    public function __construct(
        private Journal $journal,
        private Logbook $logbook,
        private Decisions $decisions,
        private FactKeeper $facts,
        private ClockInterface $clock,
    ) {
    }

    public function __invoke(User $by, string $id, string $reason): void
    {
        if (trim($reason) === '') {
            throw Problem::field('/reason', 'says what was wrong; it stands beside the run.');
        }
        $word = ['at' => $this->clock->now()->format(\DATE_ATOM), 'by' => $by->code, 'reason' => $reason];
        $this->journal->during($by->code, 'run withdrawn', ['run' => $id, ...$word], function () use ($by, $id, $word, $reason): void {
            $before = $this->logbook->runRecord($id) ?? throw Problem::missing('Run '.$id);
            if (isset($before['withdrawn'])) {
                throw new Problem(409, 'This run was withdrawn already.');
            }
            $measured = isset($before['log']) || ($before['totals'] ?? []) !== [] || $this->decisions->of($id) !== [];
            if ($measured && !$by->has(Role::Hygienist)) {
                throw new Problem(403, 'It brought something home, or was decided: only a hygienist withdraws it. Nothing was changed.');
            }
            $this->facts->keep($by, $id, $before, ['withdrawn' => $word], $reason);
        });
    }
}
