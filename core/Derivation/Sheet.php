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

    /** @var array<string, string> name on the sheet by all that a figure says */
    private array $said = [];

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
        $inputs = array_map($this->enter(...), array_values($figure->from->inputs));
        $row = $this->row($figure, $inputs);
        $says = serialize($row);
        $name = $this->said[$says] ??= 'f'.(\count($this->rows) + 1);
        $this->names[$figure] = $name;
        if ($name === 'f'.(\count($this->rows) + 1)) {
            $this->rows[] = ['id' => $name, ...$row];
        }

        return $name;
    }

    /**
     * @param list<string> $inputs names on the sheet
     *
     * @return array<string, mixed>
     */
    private function row(Figure $figure, array $inputs): array
    {
        return [
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
            ...($inputs === [] ? [] : ['as' => array_map(strval(...), array_keys($figure->from->inputs))]),
            'origin' => $figure->from->origin === null ? null : [
                'kind' => $figure->from->origin->kind,
                'id' => $figure->from->origin->id,
                'note' => $figure->from->origin->note,
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    public function rows(): array
    {
        return $this->rows;
    }
}
