<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Evidence\OwnStep;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Record\OwnSteps;

/** The model sheets that are asked at a check, each adding to the procedure of the family. */
final readonly class Sheets
{
    /** @var array<string, SheetStep> of all sheets in their order, by = and what each is recorded under */
    private array $steps;

    /** @param list<ModelSheet> $sheets */
    public function __construct(public array $sheets = [])
    {
        $steps = [];
        foreach ($sheets as $sheet) {
            foreach ($sheet->steps() as $own) {
                $steps['='.$own->step->id] = $own;
            }
        }
        $this->steps = $steps;
    }

    /** Those of a model that no other of the same model takes the place of. */
    public function of(string $family, string $model): self
    {
        $own = array_filter($this->sheets, static fn (ModelSheet $sheet): bool => $sheet->isOf($family, $model));
        $replaced = array_map(static fn (ModelSheet $sheet): string => '='.$sheet->replaces(), $own);

        return new self(array_values(array_filter(
            $own,
            static fn (ModelSheet $sheet): bool => !\in_array('='.$sheet->code, $replaced, true),
        )));
    }

    /** The sheet that took the place of one for all of its models; null where it is asked still. */
    public function replacing(ModelSheet $sheet): ?ModelSheet
    {
        foreach ($this->sheets as $other) {
            if ($other->replaces() === $sheet->code && array_diff($sheet->models(), $other->models()) === []) {
                return $other;
            }
        }

        return null;
    }

    /** @return list<string> */
    public function codes(): array
    {
        return array_map(static fn (ModelSheet $sheet): string => $sheet->code, $this->sheets);
    }

    /**
     * The procedures of a unit with what the sheets add. A step whose place is in none of them is asked at the end of each:
     * better at the wrong moment than not at all.
     *
     * @param list<Procedure> $procedures of the family, for the unit
     *
     * @return ($procedures is non-empty-list<Procedure> ? non-empty-list<Procedure> : list<Procedure>)
     */
    public function over(array $procedures): array
    {
        return $this->sheets === [] ? $procedures : array_map(
            fn (Procedure $procedure): Procedure => $this->overOne($procedure, $procedures),
            $procedures,
        );
    }

    /**
     * What the sheets name that a unit does not have: nothing is said at a step that is not there.
     *
     * @param list<Procedure> $procedures of the family, for the unit
     *
     * @return list<string> each in words
     */
    public function misplaced(array $procedures): array
    {
        $told = [];
        foreach ($this->sheets as $sheet) {
            foreach ($sheet->places() as $what => $steps) {
                foreach ($steps as $step) {
                    $there = array_filter($procedures, static fn (Procedure $one): bool => $one->place($step) !== null) !== [];
                    if (!$there) {
                        $told[] = \sprintf('%s: no procedure of this unit has the step "%s".', $what, $step);
                    }
                }
            }
        }

        return array_values(array_unique($told));
    }

    /** @param list<Procedure> $all */
    private function overOne(Procedure $procedure, array $all): Procedure
    {
        $added = [];
        foreach ($this->steps as $own) {
            $place = self::placeOf($own->place, $procedure, $all);
            if ($place !== null) {
                $added[$place][] = self::asked($own, $procedure, $place)->step;
            }
        }
        $steps = $added[0] ?? [];
        foreach ($procedure->steps as $place => $step) {
            $steps = [...$steps, $this->waitingLonger($step), ...($added[$place + 1] ?? [])];
        }

        return new Procedure($procedure->id, $procedure->title, $steps);
    }

    /**
     * After how many steps of the procedure it stands; null where it is not asked in it.
     *
     * @param list<Procedure> $all
     */
    private static function placeOf(Place $place, Procedure $procedure, array $all): ?int
    {
        $found = $place->in($procedure);
        $end = \count($procedure->steps);
        if ($place->procedure !== '') {
            $known = array_filter($all, static fn (Procedure $one): bool => $one->id === $place->procedure) !== [];

            return $known && $place->procedure !== $procedure->id ? null : $found ?? $end;
        }
        $elsewhere = array_filter($all, static fn (Procedure $one): bool => $place->in($one) !== null) !== [];

        return $found ?? ($elsewhere ? null : $end);
    }

    /** A step that is asked only where it was adjusted leans on the last adjusting before it; without one it is always asked. */
    private static function asked(SheetStep $own, Procedure $procedure, int $place): SheetStep
    {
        foreach (array_reverse(\array_slice($procedure->steps, 0, $place)) as $step) {
            if ($own->onlyAdjusted && $step->kind === StepKind::Adjust) {
                return $own->onlyAfter($step->saysAdjusted());
            }
        }

        return $own;
    }

    private function waitingLonger(Step $step): Step
    {
        $seconds = max([0, ...array_map(static fn (ModelSheet $sheet): int => $sheet->waitAt($step->id), $this->sheets)]);

        return $step->kind === StepKind::Wait && $seconds > ($step->seconds ?? 0) ? $step->waiting($seconds) : $step;
    }

    /** @return list<Entry> what is written down at a step that a sheet added */
    public function fields(Step $step): array
    {
        return array_map(static fn (Written $asked): Entry => $asked->entry(), $this->stepOf($step->id)->asks ?? []);
    }

    /** Whether a sheet added the step. */
    public function added(string $step): bool
    {
        return $this->stepOf($step) !== null;
    }

    private function stepOf(string $id): ?SheetStep
    {
        return $this->steps['='.$id] ?? null;
    }

    /** @return list<string> */
    public function keysAt(string $step): array
    {
        return array_merge(...array_map(static fn (ModelSheet $sheet): array => $sheet->keysAt($step), $this->sheets));
    }

    /** @return list<string> */
    public function reasonsAt(string $step): array
    {
        return array_merge(...array_map(static fn (ModelSheet $sheet): array => $sheet->reasonsAt($step), $this->sheets));
    }

    /**
     * What the record of a check holds of the steps that were added: the step as it was asked, and what was written down at it.
     *
     * @param Procedure            $procedure with what the sheets add
     * @param array<string, mixed> $answers   of the half-done check
     *
     * @return list<array<string, mixed>>
     */
    public function rows(Procedure $procedure, array $answers): array
    {
        return array_column($this->told($procedure, $answers), 'row');
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return list<array{answer: string|null, row: array<string, mixed>}> with the answer that each value came from
     */
    private function told(Procedure $procedure, array $answers): array
    {
        $rows = [];
        foreach ($procedure->steps as $step) {
            $own = $this->stepOf($step->id);
            if ($own === null || ($step->onlyAfter !== null && ($answers[$step->onlyAfter] ?? null) !== true)) {
                continue;
            }
            $row = ['step' => $step->id, 'sheet' => $own->sheet, 'title' => $step->words->title];
            $row += $step->required ? ['required' => true] : [];
            $values = [];
            foreach ($own->asks as $asked) {
                $typed = $answers[$asked->answer] ?? null;
                if (\is_string($typed) && trim($typed) !== '') {
                    $values[] = ['answer' => $asked->answer, 'row' => [...$row, ...$asked->row(trim($typed))]];
                }
            }
            $rows = [...$rows, ...($values === [] ? [['answer' => null, 'row' => $row]] : $values)];
        }

        return $rows;
    }

    /**
     * What is wrong with values written down at these steps, told by the answers that hold them.
     *
     * @param list<array{field: string, problem: string}> $problems by their places in the record
     * @param array<string, mixed>                        $answers
     *
     * @return list<array{field: string, problem: string}>
     */
    public function namingAnswers(array $problems, Procedure $procedure, array $answers): array
    {
        $told = $this->told($procedure, $answers);

        return array_map(static function (array $problem) use ($told): array {
            $place = sscanf($problem['field'], '/'.OwnSteps::NAME.'/%d/value');
            $answer = $told[$place[0] ?? -1]['answer'] ?? null;

            return $answer === null ? $problem : [...$problem, 'field' => '/'.$answer];
        }, $problems);
    }

    /**
     * What is asked while it is typed: readings that the sheets do not expect, and values outside of what is usual.
     *
     * @param array<string, mixed> $section of the check, as written
     * @param list<OwnStep>        $own     as far as they can be read
     *
     * @return list<string>
     */
    public function questions(array $section, array $own): array
    {
        $questions = [];
        foreach ($this->sheets as $sheet) {
            foreach ($sheet->expected() as $expected) {
                $questions = [...$questions, ...$expected->questions($section)];
            }
        }
        foreach ($own as $step) {
            foreach ($step->values as $value) {
                if ($value->isUnusual()) {
                    $questions[] = $value->words().'.';
                }
            }
        }

        return $questions;
    }
}
