<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;

/** What a result rests on: drift and checks, findings, what can still save it, the set-up, and under all of it the workings. */
final readonly class ResultEvidence
{
    /** @param list<array<string, mixed>> $schools how other policies judge it; none where nobody asked for them */
    public function __construct(private ReportedRun $run, private NoteBook $notes, private array $schools)
    {
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return [
            Block::heading('drift', 3, Line::of(Labels::DRIFT)),
            Block::paragraph('drift-words', $this->drift())->beside($this->notes->taken()),
            ...$this->checks(),
            ...$this->findings(),
            ...$this->cures(),
            ...$this->setUp(),
            ...$this->policies(),
            ...$this->workings(),
        ];
    }

    private function drift(): Line
    {
        $body = $this->run->stands->body;
        $drifts = Cells::texts($body, 'drifts');
        $line = Line::of($drifts === [] ? 'No drift can be told: one end of the bracket is missing. ' : '');
        foreach ($drifts as $name) {
            $line = $this->moved($line->text(Cells::text($this->notes->figure($name), 'meaning').': '), $name);
        }
        $ever = Cells::text(Cells::map($body, 'family'), 'largestEverDrift');

        return $ever === '' ? $line : $this->moved($line->text('The most this instrument has ever drifted: '), $ever);
    }

    private function moved(Line $line, string $name): Line
    {
        $figure = $this->notes->figure($name);

        return $line->strong(trim(Shown::signed(Cells::text($figure, 'shown')).' '.Cells::text($figure, 'unit')))
            ->mark($this->notes->cite($name))->text('. ');
    }

    /** @return list<Block> */
    private function checks(): array
    {
        if ($this->run->checks === []) {
            return [Block::paragraph('checks', Line::of('No check is named.'))];
        }
        // Checks of one bracket may have been noted differently: every heading of any of them.
        $labels = [];
        foreach ($this->run->checks as $check) {
            array_push($labels, ...array_map(static fn (array $cell): string => Cells::text($cell, 'label'), Cells::rows($check, 'cells')));
        }
        $labels = array_values(array_unique($labels));
        $rows = [];
        foreach ($this->run->checks as $check) {
            $aside = $check['setAside'] ?? null;
            $name = Line::of(Cells::text($check, 'id'));
            $rows[] = [
                $aside === null ? $name : $name->soft(', set aside: '.(\is_string($aside) ? $aside : '')),
                Line::of(Shown::withOffset(Cells::text($check, 'at'), $this->run->zone).', '.Cells::text($check, 'by')),
                Line::of(Cells::text($check, 'reference') === '' ? 'none' : Cells::text($check, 'reference')),
                ...array_map(static fn (string $label): Line => self::cell($check, $label), $labels),
            ];
        }

        return [Block::table('checks', '', ['Check', 'When, by whom', 'Reference', ...$labels], $rows)];
    }

    /** @param array<string, mixed> $check */
    private static function cell(array $check, string $label): Line
    {
        foreach (Cells::rows($check, 'cells') as $cell) {
            if (Cells::text($cell, 'label') === $label && Cells::text($cell, 'shown') !== '') {
                return Line::of(Shown::minus(Cells::text($cell, 'shown')));
            }
        }

        return Line::of()->soft('–');
    }

    /** @return list<Block> */
    private function findings(): array
    {
        $blocks = [Block::heading('findings', 3, Line::of(Labels::FINDINGS))];
        $findings = Cells::rows($this->run->stands->body, 'findings');
        if ($findings === []) {
            $blocks[] = Block::paragraph('findings-none', Line::of('None.'));
        }
        foreach ($findings as $place => $finding) {
            $isNote = Cells::text($finding, 'severity') === 'note';
            $line = $isNote ? Line::of()->soft('note') : Line::of()->verdict(Cells::text($finding, 'verdict'));
            $channel = Cells::text($finding, 'channel');
            $line = $line->text(' ')->strong(($channel === '' ? '' : $channel.': ').Cells::text($finding, 'title').'.')
                ->text(' '.Cells::text($finding, 'seen'));
            foreach (Cells::texts($finding, 'figures') as $figure) {
                $line = $line->mark($this->notes->cite($figure));
            }
            $limit = Cells::text($finding, 'limit');
            $advice = Cells::text($finding, 'advice');
            $blocks[] = Block::paragraph('finding:'.$place, $advice === '' ? $line : $line->text(' '.$advice))
                ->beside($this->notes->taken())
                ->besides(Line::of(($limit === '' ? '' : 'Limit: '.$limit.'. ').$this->notes->source(
                    Cells::text($finding, 'source'),
                    Cells::text($finding, 'mark'),
                )));
        }

        return $blocks;
    }

    /** @return list<Block> */
    private function cures(): array
    {
        $blocks = [];
        foreach (Cells::rows($this->run->stands->body, 'findings') as $place => $finding) {
            $cure = Cells::map($finding, 'cure');
            if ($cure !== []) {
                $blocks[] = Block::paragraph('saves:'.$place, Line::of()->strong(Cells::text($cure, 'evidence'))
                    ->text(', '.Shown::sentence(Cells::text($cure, 'until'))));
            }
        }

        return $blocks === [] ? [] : [Block::heading('saves', 3, Line::of(Labels::SAVES)), ...$blocks];
    }

    /** @return list<Block> */
    private function setUp(): array
    {
        $record = $this->run->record;
        $rows = [['Measuring unit', $this->run->unitWords()], ['What it is', Cells::text($this->run->unit, 'about')]];
        foreach ($this->run->setUp as $one) {
            $rows[] = [$one['label'], $one['shown'] === '' ? 'yes' : $one['shown']];
        }
        foreach (['plannedMinutes' => 'Planned, min', 'shiftMinutes' => 'Working day, min', 'shift' => 'Shift'] as $name => $label) {
            $rows[] = [$label, Cells::text($record, $name)];
        }
        $rows[] = ['Clock of the unit ahead by, s', Shown::minus(Cells::text($record, 'clockOffsetSeconds'))];
        foreach (['pauses' => 'Paused', 'exclusions' => 'Left out'] as $name => $label) {
            foreach (Cells::rows($record, $name) as $span) {
                $rows[] = [$label, $this->span($span)];
            }
        }
        foreach (Cells::rows($record, 'remarks') as $remark) {
            $rows[] = ['Remark', Shown::joined(
                ', ',
                Cells::text($remark, 'at') === '' ? '' : Shown::moment(Cells::text($remark, 'at'), $this->run->zone),
                Cells::text($remark, 'kind'),
                Cells::text($remark, 'note'),
            )];
        }
        $rows = array_values(array_filter($rows, static fn (array $row): bool => $row[1] !== ''));

        return [
            Block::heading('set-up', 3, Line::of(Labels::SET_UP)),
            Block::table('set-up-table', '', [], array_map(
                static fn (array $row): array => array_map(Line::of(...), $row),
                $rows,
            )),
        ];
    }

    /** @param array<string, mixed> $span */
    private function span(array $span): string
    {
        $ends = array_map(fn (string $end): string => Shown::moment(Cells::text($span, $end), $this->run->zone), ['from', 'to']);
        $reason = Cells::text($span, 'reason').Cells::text($span, 'note');

        return implode(' to ', $ends).($reason === '' ? '' : ': '.$reason);
    }

    /** @return list<Block> */
    private function policies(): array
    {
        if ($this->schools === []) {
            return [];
        }
        $rows = [];
        foreach ($this->schools as $school) {
            $policy = Cells::map($school, 'policy');
            $main = array_values(array_filter(
                Cells::rows($school, 'results'),
                static fn (array $one): bool => Cells::text($one, 'key') === Cells::text($school, 'headline'),
            ))[0] ?? [];
            $weighty = [];
            foreach (Cells::rows($school, 'findings') as $finding) {
                if (Cells::text($finding, 'severity') !== 'note') {
                    $weighty[] = Cells::text($finding, 'title');
                }
            }
            $rows[] = [
                Line::of(Cells::text($policy, 'name').', version '.Cells::text($policy, 'version')),
                Line::of()->verdict(Cells::text($school, 'verdict')),
                Line::of($main === [] ? 'no number' : \sprintf(
                    '%s %s, %s',
                    Shown::minus(Cells::text($main, 'shown')),
                    Cells::text($main, 'unit'),
                    Cells::text($main, 'reported'),
                )),
                Line::of($weighty === [] ? 'none' : implode('; ', $weighty)),
            ];
        }

        return [
            Block::heading('policies', 3, Line::of(Labels::POLICIES)),
            Block::table('policies-table', '', ['Policy', 'Proposes', 'Reports', 'Because of'], $rows),
        ];
    }

    /** @return list<Block> */
    private function workings(): array
    {
        $notes = $this->notes->workings();

        return $notes === [] ? [] : [Block::heading('workings', 3, Line::of(Labels::WORKINGS)), Block::notes('workings-notes', $notes)];
    }
}
