<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Procedure;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Sheet\ModelSheet;
use Footnote\Core\Sheet\Sheets;
use Footnote\Core\Source\Feed;

/** The steps of a half-done check as the screen renders them, those of model sheets among them. */
final readonly class StepLines
{
    public function __construct(
        private BenchGuide $bench,
        private Instrument $unit,
        private ?Reference $reference,
        private string $setting,
        private Sheets $sheets,
        private AskedSteps $asked,
    ) {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<array<string, mixed>>
     */
    public function of(array $steps): array
    {
        $asked = $this->asked->among($steps);
        $procedure = new Procedure('', '', $asked);

        return array_map(fn (Step $step): array => $this->line($step, $procedure->watchedAt($step)), $asked);
    }

    /** @return list<array<string, mixed>> what the sheets say beside their steps */
    public function sheets(): array
    {
        return array_map(static fn (ModelSheet $sheet): array => [
            'code' => $sheet->code,
            'name' => $sheet->name(),
            'source' => $sheet->source(),
            'minutes' => $sheet->minutes(),
            'layOut' => $sheet->layOut(),
            'messages' => $sheet->messages(),
        ], $this->sheets->sheets);
    }

    /** @return array<string, mixed> */
    private function line(Step $step, ?Step $watched): array
    {
        $own = $this->sheets->added($step->id);

        return [
            'id' => $step->id,
            'kind' => $step->kind->value,
            'title' => $step->words->title,
            'instruction' => $this->asked->instruction($step) ?? '',
            'why' => $step->words->why,
            'caution' => $step->words->caution === null ? null : [
                'words' => $step->words->caution->words,
                'mark' => $step->words->caution->mark->value,
            ],
            'required' => $step->required,
            'seconds' => $step->seconds,
            'when' => $step->onlyAfter,
            'into' => $step->readings->name ?? '',
            'rows' => $step->readings->rows ?? 1,
            'clocked' => $step->readings->clocked ?? false,
            'eachSet' => $step->readings->eachSet ?? false,
            'fields' => Entry::all($own ? $this->sheets->fields($step) : $this->bench->fields($step, $this->unit, $this->reference)),
            'columns' => Entry::all($this->bench->columns($step, $this->unit, $this->reference, $this->setting)),
            'feeds' => array_map(
                static fn (Feed $feed): array => ['channel' => $feed->channel, 'column' => $feed->column],
                $watched === null || $this->sheets->added($watched->id)
                    ? []
                    : $this->bench->feeds($watched, $this->unit, $this->reference, $this->setting),
            ),
            'presets' => $this->bench->presets($step, $this->unit, $this->reference, $this->setting),
            'isOwn' => $own,
            'press' => $this->sheets->keysAt($step->id),
            'reasons' => $this->sheets->reasonsAt($step->id),
        ];
    }
}
