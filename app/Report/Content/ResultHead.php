<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Verdict;

/** The beginning of the page of a result: whose it is, its number, how it stands, and the run in time. */
final readonly class ResultHead
{
    public function __construct(private ReportedRun $run, private NoteBook $notes)
    {
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        $blocks = [
            Block::heading('title', 2, Line::of($this->run->title())),
            Block::paragraph('whose', Line::of(Shown::joined(
                ' · ',
                $this->run->id(),
                $this->run->unitWords(),
                Cells::text($this->run->record, 'place'),
                $this->run->when(),
                $this->run->zone->getName(),
            ))),
        ];
        $together = [$this->number(), Block::paragraph('verdict', $this->decided())];
        foreach ($this->run->stands->elsewhere as $place => $one) {
            $together[] = Block::paragraph('elsewhere:'.$place, $this->elsewhere($one));
        }
        $channels = Cells::rows($this->run->stands->body, 'channels');
        if (\count($channels) > 1) {
            $together[] = Block::paragraph('channels', $this->channels($channels));
        }

        return [...$blocks, Block::group('stands', [...$together, Block::picture('time', ...TimePicture::of($this->run))])];
    }

    private function number(): Block
    {
        $main = $this->run->headline();
        $body = $this->run->stands->body;
        $line = Line::of()->bracket(Cells::map($body, 'bracket'), $this->run->stands->whole() === Verdict::Void)->text(' ');
        if ($main === []) {
            return Block::heading('number', 3, $line->text(Labels::NO_NUMBER));
        }
        $line = $this->value($line, $main);
        foreach ($this->composites($main) as $other) {
            $line = $this->value($line->text('; ')->named(Cells::text($other, 'title'))->text(': '), $other);
        }
        $block = Block::heading('number', 3, $line)->beside($this->notes->taken());
        $figures = $main['noteFigures'] ?? [];
        foreach (Cells::texts($main, 'notes') as $place => $note) {
            $said = Line::of($note);
            foreach (\is_array($figures) && \is_array($figures[$place] ?? null) ? $figures[$place] : [] as $figure) {
                $said = \is_string($figure) ? $said->mark($this->notes->cite($figure)) : $said;
            }
            $block = $block->besides($said)->beside($this->notes->taken());
        }

        return $block;
    }

    /** @param array<string, mixed> $result */
    private function value(Line $line, array $result): Line
    {
        $value = Cells::map($result, 'value');
        $figure = Cells::text($value, 'figure');
        $shown = Shown::minus(Cells::text($value, 'shown'));
        $line = $line->symbol(Cells::text($this->notes->figure($figure), 'symbol'))->text(' = ');
        $line = ($this->run->stands->verdict($result) === Verdict::Void ? $line->struck($shown) : $line->strong($shown))
            ->text(rtrim(' '.Cells::text($result, 'unit')))->mark($this->notes->cite($figure));
        $uncertainty = Cells::map($result, 'uncertainty');
        if ($uncertainty === []) {
            return $line;
        }
        $of = Cells::text($uncertainty, 'figure');
        $told = $this->notes->figure($of);

        return $line->soft(trim(\sprintf(', U = %s %s', Cells::text($uncertainty, 'shown'), Cells::text($told, 'unit'))))
            ->mark($this->notes->cite($of))
            ->soft(' '.str_replace('expanded uncertainty ', '', Cells::text($told, 'meaning')));
    }

    /**
     * Results that are put together of others, told beside the main one.
     *
     * @param array<string, mixed> $main
     *
     * @return list<array<string, mixed>>
     */
    private function composites(array $main): array
    {
        return array_values(array_filter(
            Cells::rows($this->run->stands->body, 'results'),
            static fn (array $one): bool => Cells::text($one, 'key') !== Cells::text($main, 'key')
                && ($one['inherited'] ?? null) !== null && isset($one['breakdown']),
        ));
    }

    /**
     * What another logbook decided of it: told, and no signature here.
     *
     * @param array<string, mixed> $one
     */
    private function elsewhere(array $one): Line
    {
        return Line::of('In another logbook: ')->verdict(Cells::text($one, 'verdict'))->text(\sprintf(
            ' by %s, %s; %s. That is no signature here.',
            Cells::text($one, 'by'),
            Shown::withOffset(Cells::text($one, 'at'), $this->run->zone),
            Cells::text($one, 'said') === $this->run->stands->said
                ? 'the same is said here'
                : 'something else is said here',
        ));
    }

    /** The proposal and what a person decided, both where they differ. */
    private function decided(): Line
    {
        $stands = $this->run->stands;
        $policy = Cells::map($stands->body, 'policy');
        $line = Line::of('Proposed ')->verdict(Cells::text($stands->body, 'verdict'))->text(\sprintf(
            ' under %s, version %s. ',
            Cells::text($policy, 'name'),
            Cells::text($policy, 'version'),
        ));
        $decision = $stands->decision;
        if ($decision === null) {
            return $line->strong('Not signed: nobody has decided it.');
        }
        $who = \sprintf(' by %s, %s', Cells::text($decision, 'by'), Shown::withOffset(Cells::text($decision, 'at'), $this->run->zone));
        $reason = Cells::text($decision, 'reason');
        $said = $reason === '' ? '' : \sprintf(' “%s”', $reason);
        if ($stands->before !== null) {
            return $this->changed($line, $decision, $stands->before, $who.'.'.$said);
        }
        $line = match (Cells::text($decision, 'kind')) {
            'void' => $line->strong('Declared ')->verdict('void')->text($who.'.'.$said),
            'overrule' => $line->strong('Overruled: ')->verdict(Cells::text($decision, 'proposed'))->text(' was proposed, ')
                ->verdict(Cells::text($decision, 'verdict'))->text(' was decided'.$who.'.'.$said),
            default => $line->text('Signed ')->verdict(Cells::text($decision, 'verdict'))->text($who.'.'.$said),
        };
        $waiting = \count($stands->undecided());

        return $waiting === 0 ? $line : $line->text(' ')->strong(\sprintf(
            '%d of %s not signed: told below.',
            $waiting,
            Shown::count(\count(Cells::rows($stands->body, 'results')), 'result is', 'results are'),
        ));
    }

    /**
     * What was signed is not what the evidence says now.
     *
     * @param array<string, mixed> $decision
     * @param array<string, mixed> $before
     */
    private function changed(Line $line, array $decision, array $before, string $who): Line
    {
        $line = $line->text('Decided ')->verdict(Cells::text($decision, 'verdict'))->text($who.' ')
            ->strong('Not signed as it stands now: it has changed since.');
        $now = array_column(Cells::rows($this->run->stands->body, 'results'), null, 'key');
        $told = [];
        foreach (Cells::rows($before, 'results') as $was) {
            $is = Cells::text(Cells::map($now[Cells::text($was, 'key')] ?? [], 'value'), 'shown');
            if ($is !== Cells::text($was, 'shown')) {
                $told[] = \sprintf(
                    '%s %s, now %s %s',
                    Cells::text($was, 'title'),
                    Shown::minus(Cells::text($was, 'shown')),
                    $is === '' ? 'none' : Shown::minus($is),
                    Cells::text($was, 'unit'),
                );
            }
        }

        return $line->text($told === [] ? ' Its numbers are as they were.' : ' Signed: '.implode('; ', $told).'.');
    }

    /** @param list<array<string, mixed>> $channels */
    private function channels(array $channels): Line
    {
        $standing = array_filter($channels, static fn (array $one): bool => Cells::text($one, 'verdict') !== Verdict::Void->value);
        $line = Line::of(\sprintf('Of %d channels %d stand by themselves: ', \count($channels), \count($standing)));
        foreach ($channels as $place => $one) {
            $bracket = Cells::map($one, 'bracket');
            $line = $line->text(($place > 0 ? ', ' : '').Cells::text($one, 'channel').' ');
            $line = ($bracket === [] ? $line : $line->bracket($bracket, Cells::text($one, 'verdict') === Verdict::Void->value)->text(' '))
                ->verdict(Cells::text($one, 'verdict'));
        }

        return $line->text('.');
    }
}
