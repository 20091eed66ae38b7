<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\AsksByReference;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Procedure\Step;

/** Which steps of a procedure are asked of a unit with the reference that was chosen, and in what words. */
final readonly class AskedSteps
{
    public function __construct(
        private BenchGuide $bench,
        private Instrument $unit,
        private ?Reference $reference,
        private string $setting,
        private \DateTimeImmutable $now,
    ) {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step> those that are asked: none that nothing of the reference can answer
     */
    public function among(array $steps): array
    {
        return array_values(array_filter($steps, $this->asks(...)));
    }

    /** Null where the reference leaves nothing to do. */
    public function instruction(Step $step): ?string
    {
        return $this->bench instanceof AsksByReference
            ? $this->bench->instruction($step, $this->unit, $this->reference, $this->now)
            : $step->words->instruction;
    }

    private function asks(Step $step): bool
    {
        $emptyChoices = array_filter(
            $this->bench->columns($step, $this->unit, $this->reference, $this->setting),
            static fn (Entry $column): bool => $column->kind === EntryKind::Choice
                && $column->required
                && $column->among->choices === [],
        );

        return $this->instruction($step) !== null && ($step->required || $emptyChoices === []);
    }
}
