<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/**
 * Figures laid flat for the page and for files: each once, inputs by number, so that a figure shared by several
 * results is one note.
 */
final class Sheet
{
    /** @var list<array<string, mixed>> */
    private array $rows = [];

    /** @var \SplObjectStorage<Figure, string> name on the sheet by figure */
    private readonly \SplObjectStorage $names;

    public function __construct()
    {
        $this->names = new \SplObjectStorage();
    }

    /** Enters the figure and all it was worked out from; answers its name on the sheet, such as "f3". */
    public function enter(Figure $figure): string
    {
        if (isset($this->names[$figure])) {
            return $this->names[$figure];
        }
        $inputs = array_map($this->enter(...), $figure->from->inputs);
        $name = 'f'.(\count($this->rows) + 1);
        $this->names[$figure] = $name;
        $this->rows[] = [
            'id' => $name,
            'symbol' => $figure->symbol,
            'meaning' => $figure->meaning,
            'value' => $figure->full(),
            'floor' => $figure->known->floor === null ? null : $figure->low()->full(),
            ...($figure->known->bound === null ? [] : ['bound' => $figure->known->bound->value]),
            'shown' => $figure->shown(),
            'unit' => $figure->unit->value,
            'equation' => $figure->from->equation === null ? null : [
                'id' => $figure->from->equation->id(),
                'expression' => $figure->from->equation->expression(),
                'source' => $figure->from->equation->source(),
                'mark' => $figure->from->equation->mark()->value,
            ],
            'inputs' => $inputs,
            'origin' => $figure->from->origin === null ? null : [
                'kind' => $figure->from->origin->kind,
                'id' => $figure->from->origin->id,
                'note' => $figure->from->origin->note,
            ],
        ];

        return $name;
    }

    /** @return list<array<string, mixed>> */
    public function rows(): array
    {
        return $this->rows;
    }
}
