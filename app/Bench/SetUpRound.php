<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\Draft;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\StepState;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\StepKind;
use Psr\Clock\ClockInterface;

/** The reference of a round is chosen once, for every unit of it that nothing was read of yet. */
final readonly class SetUpRound
{
    public function __construct(
        private Journal $journal,
        private Drafts $drafts,
        private Logbook $logbook,
        private Assessor $assessor,
        private ClockInterface $clock,
    ) {
    }

    /** @param string $setting of the reference; empty where it has none */
    public function __invoke(User $by, string $id, string $reference, string $setting): void
    {
        if ($this->logbook->references([$reference]) === []) {
            throw Problem::field('/reference', \sprintf('%s is not in the kit.', $reference));
        }
        $round = $this->drafts->round($id);
        $told = ['round' => $id, 'instrument' => implode(', ', $round->units), 'reference' => $reference, 'setting' => $setting];
        $this->journal->during($by->code, 'round set up', $told, function () use ($by, $round, $reference, $setting): void {
            foreach ($this->drafts->ofRound($round) as $draft) {
                if (!$draft->isClosed() && !isset($draft->answers()['at'])) {
                    $this->choose($by, $draft, $round->procedure, $reference, $setting);
                }
            }
        });
    }

    private function choose(User $by, Draft $draft, string $procedure, string $reference, string $setting): void
    {
        $unit = $this->logbook->timeline($draft->instrument)->instrument;
        $before = $draft->answers();
        $steps = \is_array($before['steps'] ?? null) ? $before['steps'] : [];
        foreach (Procedure::among($this->assessor->family($unit->family)->procedures($unit), $procedure)->steps as $step) {
            if ($step->kind === StepKind::Reference) {
                $steps[$step->id] = StepState::Done->value;
            }
        }
        $answers = Stamps::on(
            $before,
            [...$before, 'reference' => $reference, 'setting' => $setting, 'steps' => $steps],
            $this->clock->now(),
        );
        $draft->answer($answers, Typists::after($before, $answers, $draft->typed(), $by->code));
    }
}
