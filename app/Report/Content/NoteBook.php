<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Derivation\Expression\Expression;

/**
 * Numbers the figures of a page in the order in which they are cited, and after these what they rest on, down to readings and
 * certificates.
 */
final class NoteBook
{
    /** So many figures that go through an equation under one symbol are named each by its number. */
    private const EACH = 3;

    /** @var array<string, array<string, mixed>> the figures of the page by = and their name */
    private array $figures = [];

    /** @var array<string, int> numbers by = and the name of the figure */
    private array $numbers = [];

    /** @var list<string> names in the order of their numbers */
    private array $order = [];

    /** @var array<string, int> by = and the equation: the note that printed it first */
    private array $printed = [];

    /** @var list<string> figures that were cited for the first time since somebody asked */
    private array $fresh = [];

    /** @param list<array<string, mixed>> $figures as an assessment writes them */
    public function __construct(array $figures, private readonly SourceWords $sources)
    {
        foreach ($figures as $figure) {
            $this->figures['='.Cells::text($figure, 'id')] = $figure;
        }
    }

    /** @return array<string, mixed> empty where there is none of this name */
    public function figure(string $name): array
    {
        return $this->figures['='.$name] ?? [];
    }

    /** The number of the note that tells of a figure. */
    public function cite(string $name): int
    {
        $known = $this->numbers['='.$name] ?? null;
        if ($known === null) {
            $known = \count($this->numbers) + 1;
            $this->numbers['='.$name] = $known;
            $this->order[] = $name;
            $this->fresh[] = $name;
        }

        return $known;
    }

    /** @return list<array<string, mixed>> the notes on what was cited first since the last time */
    public function taken(): array
    {
        $notes = array_map(fn (string $name): array => [
            'number' => $this->cite($name),
            'line' => $this->said($name)->spans,
        ], $this->fresh);
        $this->fresh = [];

        return $notes;
    }

    /**
     * What everything that was cited rests on: of notes that stand beside the page with what numbers, and all that these were worked
     * out from in its turn.
     *
     * @return list<array<string, mixed>>
     */
    public function workings(): array
    {
        $beside = \count($this->order);
        $notes = [];
        // Grows while it is gone through: what goes into a figure is numbered after it.
        for ($number = 1; $number <= \count($this->order); ++$number) {
            $name = $this->order[$number - 1];
            $inputs = $this->inputs($name);
            if ($number > $beside || $inputs !== '') {
                $line = $number > $beside ? $this->said($name) : $this->value($name);
                $notes[] = ['number' => $number, 'line' => $line->text($inputs === '' ? '' : ' '.$inputs)->spans];
            }
        }
        $this->fresh = [];

        return $notes;
    }

    /** "L_Aeq = 84.8 dB(A)" */
    public function value(string $name): Line
    {
        $figure = $this->figure($name);

        return Line::of()->symbol(Cells::text($figure, 'symbol'))->text(' = ')
            ->strong(trim(Shown::minus(Cells::text($figure, 'shown')).' '.Cells::text($figure, 'unit')));
    }

    /** A source with its mark, as notes tell it. */
    public function source(string $source, string $mark): string
    {
        return $this->sources->of($source, $mark);
    }

    /** A figure in a sentence: what it is, and the equation or the evidence under it. */
    private function said(string $name): Line
    {
        $figure = $this->figure($name);
        $line = $this->value($name)->text(', '.Cells::text($figure, 'meaning').'. ');
        $equation = $figure['equation'] ?? null;
        $origin = $figure['origin'] ?? null;
        if (\is_array($equation)) {
            $line = $line->then($this->equation($equation, $this->cite($name)));
        }

        $from = \is_array($origin) ? $this->sources->origin(Cells::text($origin, 'note')) : '';

        return $line->text(\is_array($equation) && $from !== '' ? ' '.$from : $from);
    }

    /** @param array<mixed> $equation */
    private function equation(array $equation, int $note): Line
    {
        $id = Cells::text($equation, 'id');
        $first = $this->printed['='.$id] ??= $note;

        return $first !== $note
            ? Line::of(\sprintf('%s, as in note %d.', $id, $first))
            : Line::of($id.': ')->equation(Cells::text($equation, 'expression'))->text('. '.$this->sources->of(
                Cells::text($equation, 'source'),
                Cells::text($equation, 'mark'),
            ).'.');
    }

    /** With which numbers it was worked out, each with the number of the note that tells of it; plain, since there are many. */
    private function inputs(string $name): string
    {
        $figure = $this->figure($name);
        $groups = [];
        foreach (Cells::texts($figure, 'inputs') as $place => $input) {
            $slot = Cells::texts($figure, 'as')[$place] ?? Cells::text($this->figure($input), 'symbol');
            $groups['='.Expression::symbolOf($slot)][] = $input;
        }
        $told = [];
        foreach ($groups as $symbol => $inputs) {
            $numbers = array_map($this->cite(...), $inputs);
            $told[] = substr($symbol, 1).(\count($inputs) > self::EACH
                ? \sprintf(', %d numbers [%s]', \count($inputs), Shown::ranges($numbers))
                : ' = '.implode('; ', array_map(fn (string $input, int $number): string => \sprintf(
                    '%s [%d]',
                    trim(Shown::minus(Cells::text($this->figure($input), 'shown')).' '.Cells::text($this->figure($input), 'unit')),
                    $number,
                ), $inputs, $numbers)));
        }

        return $told === [] ? '' : 'With '.implode(', ', $told).'.';
    }
}
