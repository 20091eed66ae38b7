<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\Verdict;

/** The numbers of a result: what it is made of, its four answers, what was removed or assumed, and the limits it is held against. */
final readonly class ResultNumbers
{
    private const ANSWERS = ['indicated', 'pre', 'post', 'between'];

    private const ALTERED = [
        'recorded check' => 'taken out',
        'by rule' => 'taken out by rule',
        'by a person' => 'left out',
        'offered' => 'stays in',
        'left in' => 'stays in',
        'could not be applied' => 'stays in',
        'pause' => 'paused',
        'part interval' => 'not in the log',
        'corrected' => 'corrected',
        'assumed' => 'assumed',
    ];

    /** @var list<array<string, mixed>> */
    private array $results;

    public function __construct(private ReportedRun $run, private NoteBook $notes)
    {
        $this->results = Cells::rows($run->stands->body, 'results');
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return [...$this->breakdowns(), ...$this->answers(), ...$this->removed(), ...$this->limits()];
    }

    /** @return list<Block> what results are made of, part by part */
    private function breakdowns(): array
    {
        $blocks = [];
        foreach ($this->results as $result) {
            $breakdown = Cells::map($result, 'breakdown');
            if ($breakdown === []) {
                continue;
            }
            $rows = [];
            foreach (\is_array($breakdown['rows'] ?? null) ? $breakdown['rows'] : [] as $row) {
                $rows[] = array_map($this->cell(...), array_values(array_filter(\is_array($row) ? $row : [], \is_array(...))));
            }
            $name = 'made-of:'.Cells::text($result, 'key');
            $head = Cells::texts($breakdown, 'columns');
            $blocks[] = Block::table($name, Cells::text($breakdown, 'title'), $head, $rows, range(1, max(1, \count($head) - 1)))
                ->beside($this->notes->taken());
        }

        return $blocks;
    }

    /** @param array<mixed> $cell */
    private function cell(array $cell): Line
    {
        $shown = Cells::text($cell, 'shown');
        $line = Line::of($shown === '' ? '–' : Shown::minus($shown));
        $figure = Cells::text($cell, 'figure');

        return $figure !== '' && ($cell['noted'] ?? false) === true ? $line->mark($this->notes->cite($figure)) : $line;
    }

    /** @return list<Block> */
    private function answers(): array
    {
        if ($this->results === []) {
            return [];
        }
        $rows = [];
        $several = \count(Cells::rows($this->run->stands->body, 'channels')) > 1;
        foreach ($this->results as $result) {
            $rows[] = $this->row($result, $several);
        }
        $blocks = [
            Block::heading('answers', 3, Line::of(Labels::CORRECTED_RESULTS)),
            Block::table(
                'answers-table',
                '',
                ['Quantity', 'indicated', 'pre', 'post', 'interpolated', 'drift interval', 'Verdict'],
                $rows,
                [1, 2, 3, 4, 5],
            )->beside($this->notes->taken()),
        ];
        $policy = Cells::map($this->run->stands->body, 'policy');
        $blocks[] = Block::paragraph('answers-words', Line::of()->soft(\sprintf(Labels::ANSWERS, Cells::text($policy, 'name'))));
        foreach ($this->beside() as $place => $note) {
            $blocks[] = Block::paragraph('answers-note:'.$place, Line::of($note));
        }

        return $blocks;
    }

    /** @return list<string> what is said of results other than the main one, each once */
    private function beside(): array
    {
        $main = $this->run->headline();
        $said = [];
        foreach ($this->results as $result) {
            array_push($said, ...($result === $main ? [] : Cells::texts($result, 'notes')));
        }

        return array_values(array_diff(array_unique($said), Cells::texts($main, 'notes')));
    }

    /**
     * @param array<string, mixed> $result
     * @param bool                 $several whether the run has several channels
     *
     * @return list<Line>
     */
    private function row(array $result, bool $several): array
    {
        $channel = Cells::text($result, 'channel');
        $what = Line::of($several && $channel !== '' ? $channel.': ' : '')
            ->named(Cells::text($result, 'title'))->soft(rtrim(' '.Cells::text($result, 'unit')));
        foreach (Cells::rows($result, 'also') as $other) {
            if (Cells::text($other, 'shown') !== Cells::text(Cells::map($result, 'value'), 'shown')) {
                $what = $what->soft(\sprintf('; %s: %s', Cells::text($other, 'words'), Shown::minus(Cells::text($other, 'shown'))))
                    ->mark($this->notes->cite(Cells::text($other, 'figure')));
            }
        }
        $void = $this->run->stands->verdict($result) === Verdict::Void;
        $cited = ($result['indicated'] ?? null) !== null ? 'indicated' : Cells::text($result, 'reported');
        $answers = [];
        foreach (self::ANSWERS as $name) {
            $told = Cells::map($result, $name);
            $shown = Shown::minus(Cells::text($told, 'shown'));
            $cell = match (true) {
                $told === [] => Line::of()->soft('–'),
                $void => Line::of()->struck($shown),
                Cells::text($result, 'reported') === $name => Line::of()->reported($shown),
                default => Line::of($shown),
            };
            $answers[] = $told !== [] && $name === $cited ? $cell->mark($this->notes->cite(Cells::text($told, 'figure'))) : $cell;
        }
        $verdict = $this->run->stands->told($result);

        return [
            $what,
            ...$answers,
            $this->interval($result),
            // Of a run that nobody has decided, its verdict says so once.
            $this->run->stands->isSigned($result) || !$this->run->stands->isDecided() ? $verdict : $verdict->soft(', '.Labels::NOT_DECIDED),
        ];
    }

    /** @param array<string, mixed> $result */
    private function interval(array $result): Line
    {
        $low = Cells::text(Cells::map($result, 'lowest'), 'shown');
        $high = Cells::text(Cells::map($result, 'highest'), 'shown');
        $line = $low === '' || $high === '' ? Line::of()->soft('–') : Line::of(Shown::minus($low).' to '.Shown::minus($high));
        $value = Cells::map($result, 'value');

        return Cells::text($result, 'reported') !== 'cautious' ? $line : $line->text('; cautious: ')
            ->reported(Shown::minus(Cells::text($value, 'shown')))->mark($this->notes->cite(Cells::text($value, 'figure')));
    }

    /** @return list<Block> */
    private function removed(): array
    {
        $found = [];
        foreach ($this->results as $result) {
            foreach (Cells::rows($result, 'altered') as $one) {
                $key = json_encode([$one['kind'] ?? '', $one['what'] ?? '', $one['why'] ?? '', $one['by'] ?? ''], \JSON_THROW_ON_ERROR);
                $found[$key] ??= ['one' => $one, 'numbers' => []];
                $other = Cells::map($one, 'otherwise');
                if ($other !== [] && Cells::text($other, 'shown') !== Cells::text(Cells::map($result, 'value'), 'shown')) {
                    $found[$key]['numbers'][] = [$result, $other];
                }
            }
        }
        $blocks = $found === [] ? [] : [Block::heading('removed', 3, Line::of(Labels::REMOVED))];
        foreach (array_values($found) as $place => ['one' => $one, 'numbers' => $numbers]) {
            $blocks[] = Block::paragraph('removed:'.$place, $this->altered($one, $numbers))->beside($this->notes->taken());
        }

        return $blocks;
    }

    /**
     * @param array<string, mixed>                                     $one
     * @param list<array{array<string, mixed>, array<string, mixed>}> $numbers results, and what they would be otherwise
     */
    private function altered(array $one, array $numbers): Line
    {
        $kind = Cells::text($one, 'kind');
        $byRule = !\in_array($kind, ['by a person', 'left in', 'corrected'], true);
        $line = Line::of()->strong(self::ALTERED[$kind] ?? $kind)->text(\sprintf(
            ': %s; %s (%s%s).',
            Cells::text($one, 'what'),
            Cells::text($one, 'why'),
            $byRule ? 'rule ' : '',
            Cells::text($one, 'by'),
        ));
        $otherwise = match (true) {
            $kind === 'corrected' => 'as first written',
            ($one['taken'] ?? false) === true => 'with it',
            default => 'without it',
        };
        foreach ($numbers as $place => [$result, $other]) {
            $unit = rtrim(' '.Cells::text($result, 'unit'));
            $line = $line->text($place === 0 ? ' ' : '; ')->named(Cells::text($result, 'title'))->text(\sprintf(
                ' %s%s, %s ',
                Shown::minus(Cells::text(Cells::map($result, 'value'), 'shown')),
                $unit,
                $otherwise,
            ))->text(Shown::minus(Cells::text($other, 'shown')).$unit)->mark($this->notes->cite(Cells::text($other, 'figure')));
        }

        return match (true) {
            $numbers !== [] => $line->text('.'),
            ($one['from'] ?? null) !== null => $line->soft(' No number that is shown changes by it.'),
            default => $line,
        };
    }

    /** @return list<Block> of a result that is void nothing is stated */
    private function limits(): array
    {
        $blocks = [];
        foreach ($this->results as $result) {
            if ($this->run->stands->verdict($result) === Verdict::Void) {
                continue;
            }
            foreach (Cells::rows($result, 'limits') as $limit) {
                $name = \sprintf('limit:%s:%s', Cells::text($result, 'key'), Cells::text($limit, 'id'));
                $words = Block::paragraph('words', $this->limit($result, $limit))
                    ->beside($this->notes->taken())
                    ->besides(Line::of(\sprintf(
                        '%s, %s',
                        $this->notes->source(Cells::text($limit, 'source'), Cells::text($limit, 'mark')),
                        Shown::sentence(Cells::text($limit, 'scope')),
                    )));
                $drawn = IntervalPicture::of($result, $limit);
                $blocks[] = Block::group($name, $drawn === null ? [$words] : [Block::sign('drawn', $drawn), $words]);
            }
        }

        return $blocks === [] ? [] : [Block::heading('limits', 3, Line::of(Labels::AGAINST_LIMITS)), ...$blocks];
    }

    /**
     * @param array<string, mixed> $result
     * @param array<string, mixed> $limit
     */
    private function limit(array $result, array $limit): Line
    {
        $line = Line::of()->named(Cells::text($result, 'title'))->text(': ')->strong(self::against($limit))->text('. ')
            ->text(Shown::sentence(Cells::text($limit, 'statement')).' ')->soft(Cells::text($limit, 'tippingWords'));
        foreach (Cells::texts($limit, 'figures') as $figure) {
            $line = $line->mark($this->notes->cite($figure));
        }
        $confidence = Cells::map($limit, 'confidence');

        return $confidence === []
            ? $line
            : $line->soft(' By sampling and analysis: '.Shown::sentence(Cells::text($confidence, 'words')));
    }

    /**
     * "action level 50 % reached"; where not every value lies on that side, that it is undecided or not known and no more.
     *
     * @param array<string, mixed> $limit
     */
    public static function against(array $limit): string
    {
        $isRobust = Cells::text($limit, 'robustness') === Robustness::Robust->value;

        return \sprintf(
            '%s %s %s %s',
            Cells::text($limit, 'title'),
            Cells::text($limit, 'value'),
            Cells::text($limit, 'unit'),
            Cells::text($limit, $isRobust ? 'words' : 'robustness'),
        );
    }
}
