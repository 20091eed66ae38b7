<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

use Footnote\Core\Evidence\Band;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Caution;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Procedure\StepWords;

/**
 * What a site does with a model beside what every unit of its family wants. The procedure of the family stays the frame: a sheet
 * adds steps and makes waits longer, and has no way to leave anything out.
 */
final readonly class ModelSheet
{
    /** The step at which everything is laid out; no own step may be called so. */
    public const LAY_OUT = 'lay-out';

    public string $code;

    public function __construct(private Traits $entry)
    {
        $this->code = $entry->text('code') ?? '';
    }

    public function name(): string
    {
        return $this->entry->text('name') ?? '';
    }

    public function source(): string
    {
        return $this->entry->text('source') ?? '';
    }

    /** The code of a sheet that is asked no more since this one is there. */
    public function replaces(): ?string
    {
        return $this->entry->text('replaces');
    }

    public function isOf(string $family, string $model): bool
    {
        return \in_array($this->entry->text('family'), [null, '', $family], true)
            && \in_array($model, $this->models(), true);
    }

    /** How long the check takes, min, as written. */
    public function minutes(): ?string
    {
        return $this->entry->decimal('minutes')?->written;
    }

    /** How long its battery lasts, h, as written. */
    public function batteryHours(): ?string
    {
        return $this->entry->decimal('batteryHours')?->written;
    }

    /** How long it charges, min, as written. */
    public function chargeMinutes(): ?string
    {
        return $this->entry->decimal('chargeMinutes')?->written;
    }

    /** How long gas is on at a check, min, as written. */
    public function gasMinutes(): ?string
    {
        return $this->entry->decimal('gasMinutes')?->written;
    }

    /** @return list<string> what is laid out before the check */
    public function layOut(): array
    {
        return $this->column('layOut', 'what');
    }

    /** @return list<array{shows: string, means: string, do: string}> what the display says */
    public function messages(): array
    {
        return array_map(static fn (Traits $row): array => [
            'shows' => $row->text('shows') ?? '',
            'means' => $row->text('means') ?? '',
            'do' => $row->text('do') ?? '',
        ], $this->entry->rows('messages'));
    }

    /** @return list<string> keys to press at a step */
    public function keysAt(string $step): array
    {
        return $this->at($step, 'keys', 'press');
    }

    /** @return list<string> why a step may not apply */
    public function reasonsAt(string $step): array
    {
        return $this->at($step, 'reasons', 'reason');
    }

    /** The least wait at a step of the procedure, s; 0 where it says nothing. */
    public function waitAt(string $step): int
    {
        $most = 0;
        foreach ($this->entry->rows('waits') as $row) {
            if ($row->text('step') === $step) {
                $most = max($most, (int) ceil($row->decimal('seconds')?->value->toFloat() ?? 0));
            }
        }

        return $most;
    }

    /** @return list<Expected> */
    public function expected(): array
    {
        return array_map(
            static fn (Traits $row): Expected => new Expected($row->text('list') ?? '', $row->text('of') ?? '', Band::of($row)),
            $this->entry->rows('expected'),
        );
    }

    /** @return array<string, list<string>> the steps of the procedure that it names, by what it says of them */
    public function places(): array
    {
        $named = [...$this->column('steps', 'before'), ...$this->column('steps', 'after')];
        $named = array_values(array_filter($named, static fn (string $step): bool => $step !== ''));

        return [
            'Own steps beside it, asked at the end instead' => $named,
            'A longer wait' => $this->column('waits', 'step'),
            'Keys to press' => $this->column('keys', 'step'),
            'Why it may not apply' => $this->column('reasons', 'step'),
        ];
    }

    /** @return list<string> the models that it is of; none: it is a template */
    public function models(): array
    {
        return $this->column('models', 'model');
    }

    /** @return list<SheetStep> in the order of the sheet */
    public function steps(): array
    {
        $steps = [];
        if ($this->layOut() !== []) {
            $what = 'Lay out first: '.implode('; ', $this->layOut()).'.';
            $words = new StepWords('Laid out', $what, 'Once begun, a check is not left midway.');
            $laidOut = new Step($this->code.'.'.self::LAY_OUT, StepKind::Confirm, $words, required: false);
            $steps[] = new SheetStep($this->code, $laidOut, new Place('', false, ''), [], false);
        }
        foreach ($this->entry->rows('steps') as $row) {
            $seconds = $row->decimal('seconds');
            $caution = $row->text('caution');
            $id = $this->code.'.'.$row->text('code');
            $words = new StepWords(
                $row->text('title') ?? '',
                $row->text('instruction') ?? '',
                $row->text('why') ?? '',
                $caution === null ? null : new Caution($caution),
            );
            $kind = StepKind::from($row->text('kind') ?? '');
            $steps[] = new SheetStep(
                $this->code,
                new Step($id, $kind, $words, !$row->flag('optional'), $seconds === null ? null : (int) ceil($seconds->value->toFloat())),
                new Place($row->text('before') ?? $row->text('after') ?? '', $row->text('before') === null, $row->text('in') ?? ''),
                $this->writtenAt($row->text('code') ?? '', $id),
                $row->flag('onlyAdjusted'),
            );
        }

        return $steps;
    }

    /** @return list<Written> */
    private function writtenAt(string $code, string $id): array
    {
        $asks = [];
        foreach ($this->entry->rows('writes') as $row) {
            if ($row->text('step') === $code) {
                $asks[] = new Written($id.'.'.\count($asks), $row->text('label') ?? '', Band::of($row));
            }
        }

        return $asks;
    }

    /** @return list<string> */
    private function at(string $step, string $rows, string $column): array
    {
        $own = array_values(array_filter($this->entry->rows($rows), static fn (Traits $row): bool => $row->text('step') === $step));

        return array_map(static fn (Traits $row): string => $row->text($column) ?? '', $own);
    }

    /** @return list<string> */
    private function column(string $rows, string $column): array
    {
        return array_map(static fn (Traits $row): string => $row->text($column) ?? '', $this->entry->rows($rows));
    }
}
