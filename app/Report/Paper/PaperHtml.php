<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Report\Content\Shown;
use Footnote\App\Storage\Cells;
use Footnote\Core\Derivation\Expression\Expression;
use Footnote\Core\Derivation\Expression\UnreadableExpression;

/** Blocks of a report as HTML: the same on the screen and in print. It holds no style and no script; every text is escaped. */
final readonly class PaperHtml
{
    /** So many characters of an equation fit a line of the margin, and one of the notes; a longer one is written: type does not wrap. */
    private const IN_MARGIN = 36;
    private const IN_NOTES = 60;

    private const SHAPES = [
        'valid' => '<circle cx="8" cy="8" r="5.5" fill="currentColor"/>',
        'corrected' => '<circle cx="8" cy="8" r="5.2" fill="none" stroke="currentColor" stroke-width="1.6"/>'
            .'<path d="M8 2.8a5.2 5.2 0 0 1 0 10.4z" fill="currentColor"/>',
        'qualified' => '<path d="M8 2.6 14 13H2z" fill="none" stroke="currentColor" stroke-width="1.8" stroke-linejoin="round"/>',
        'open' => '<path d="M9 3H3v10h6" fill="none" stroke="currentColor" stroke-width="1.9"/>',
        'void' => '<path d="M3 3l10 10M13 3 3 13" stroke="currentColor" stroke-width="2.2"/>',
    ];

    private const BRACKETS = [
        'closed' => 'closed bracket',
        'running' => 'the run goes on',
        'open' => 'open bracket: no check after the run yet',
        'no beginning' => 'no check before the run',
        'broken' => 'broken bracket',
    ];

    /** @param string $part of which the blocks are: notes are numbered within it */
    public function __construct(private string $part)
    {
    }

    /** As an identifier of an element. */
    public static function name(string $id): string
    {
        return trim((string) preg_replace('/[^A-Za-z0-9]+/', '-', $id), '-');
    }

    /** @param array<string, mixed> $block as a report tells it */
    public function block(array $block): string
    {
        $margin = array_map($this->note(...), Cells::rows($block, 'margin'));

        return \sprintf(
            '<div class="line line-%s" id="%s"><div class="said">%s</div>%s</div>',
            Cells::text($block, 'kind'),
            self::name(Cells::text($block, 'id')),
            $this->said($block),
            $margin === [] ? '' : '<aside class="margin">'.implode('', $margin).'</aside>',
        );
    }

    /** @param array<string, mixed> $block */
    private function said(array $block): string
    {
        return match (Cells::text($block, 'kind')) {
            'heading' => \sprintf('<h%1$s>%2$s</h%1$s>', Cells::text($block, 'level'), $this->line(Cells::rows($block, 'line'))),
            'text' => '<p>'.implode('</p><p>', array_map(self::text(...), Cells::texts($block, 'lines'))).'</p>',
            'table' => $this->table($block),
            'picture' => \sprintf(
                '<figure>%s<figcaption>%s</figcaption></figure>',
                Cells::text($block, 'svg'),
                self::text(Cells::text($block, 'words')),
            ),
            'sign' => \sprintf('<figure class="sign">%s</figure>', Cells::text($block, 'svg')),
            'group' => implode('', array_map(
                fn (array $one): string => \sprintf('<div class="one one-%s">%s</div>', Cells::text($one, 'kind'), $this->said($one)),
                Cells::rows($block, 'blocks'),
            )),
            'notes' => $this->notes(Cells::rows($block, 'notes')),
            default => '<p>'.$this->line(Cells::rows($block, 'line')).'</p>',
        };
    }

    /** @param array<string, mixed> $block */
    private function table(array $block): string
    {
        $numeric = \is_array($block['numeric'] ?? null) ? $block['numeric'] : [];
        $class = static fn (int $place): string => \in_array($place, $numeric, true) ? ' class="number"' : '';
        $head = '';
        foreach (Cells::texts($block, 'head') as $place => $words) {
            $head .= \sprintf('<th scope="col"%s>%s</th>', $class($place), self::text($words));
        }
        $body = '';
        foreach (\is_array($block['rows'] ?? null) ? $block['rows'] : [] as $row) {
            $body .= '<tr>';
            foreach (array_values(\is_array($row) ? $row : []) as $place => $cell) {
                /** @var list<array<string, mixed>> $spans */
                $spans = \is_array($cell) ? array_values(array_filter($cell, \is_array(...))) : [];
                $body .= $place === 0
                    ? '<th scope="row">'.$this->line($spans).'</th>'
                    : \sprintf('<td%s>%s</td>', $class($place), $this->line($spans));
            }
            $body .= '</tr>';
        }
        $caption = Cells::text($block, 'caption');

        return \sprintf(
            '<table>%s%s<tbody>%s</tbody></table>',
            $caption === '' ? '' : '<caption>'.self::text($caption).'</caption>',
            $head === '' ? '' : '<thead><tr>'.$head.'</tr></thead>',
            $body,
        );
    }

    /** @param list<array<string, mixed>> $notes */
    private function notes(array $notes): string
    {
        return '<div class="notes">'.implode('', array_map(fn (array $note): string => \sprintf(
            '<p class="note" id="%s"><b class="count">%s</b> %s</p>',
            $this->workingName(Cells::text($note, 'number')),
            self::text(Cells::text($note, 'number')),
            $this->line(Cells::rows($note, 'line'), self::IN_NOTES),
        ), $notes)).'</div>';
    }

    /** @param array<string, mixed> $note with a number, or without one */
    private function note(array $note): string
    {
        $number = Cells::text($note, 'number');
        $line = $this->line(Cells::rows($note, 'line'), self::IN_MARGIN);

        return $number === '' ? '<p class="note">'.$line.'</p>' : \sprintf(
            '<p class="note" id="%s"><a class="count" href="#%s">%s</a> %s</p>',
            self::name($this->part.' note '.$number),
            $this->workingName($number),
            self::text($number),
            $line,
        );
    }

    private function workingName(string $number): string
    {
        return self::name($this->part.' working '.$number);
    }

    /** @param list<array<string, mixed>> $spans */
    private function line(array $spans, int $fits = self::IN_NOTES): string
    {
        return implode('', array_map(fn (array $span): string => match (true) {
            isset($span['mark']) => $this->mark(Cells::text($span, 'mark')),
            isset($span['verdict']) => self::verdict(Cells::text($span, 'verdict')),
            isset($span['bracket']) => self::bracket(Cells::map($span, 'bracket')),
            isset($span['equation']) => self::equation(Cells::text($span, 'equation'), $fits),
            default => self::words(Cells::text($span, 'text'), Cells::text($span, 'as')),
        }, $spans));
    }

    private static function words(string $text, string $as): string
    {
        $escaped = self::text($text);

        return match ($as) {
            'strong' => '<b>'.$escaped.'</b>',
            'soft' => '<span class="soft">'.$escaped.'</span>',
            'struck' => '<s>'.$escaped.'</s>',
            'reported' => '<b class="reported">'.$escaped.'</b>',
            'symbol' => self::symbol($text),
            default => $escaped,
        };
    }

    private static function symbol(string $text): string
    {
        $parts = explode('_', $text, 2);

        return \sprintf('<i>%s%s</i>', self::text($parts[0]), isset($parts[1]) ? '<sub>'.self::text($parts[1]).'</sub>' : '');
    }

    private function mark(string $number): string
    {
        return \sprintf(
            '<a class="mark" href="#%s" aria-label="note %s">%s</a>',
            self::name($this->part.' working '.$number),
            self::text($number),
            self::text($number),
        );
    }

    private static function equation(string $written, int $fits): string
    {
        if (mb_strlen($written) <= $fits) {
            try {
                return '<math display="inline">'.Expression::of($written)->mathml().'</math>';
            } catch (UnreadableExpression) {
                // An earlier release wrote it: it stands as it was written.
            }
        }

        return '<span class="written">'.self::text($written).'</span>';
    }

    private static function verdict(string $verdict): string
    {
        return isset(self::SHAPES[$verdict]) ? \sprintf(
            '<span class="verdict verdict-%1$s"><svg viewBox="0 0 16 16" aria-hidden="true">%2$s</svg>%1$s</span>',
            $verdict,
            self::SHAPES[$verdict],
        ) : self::text($verdict);
    }

    /** @param array<string, mixed> $bracket */
    private static function bracket(array $bracket): string
    {
        $state = Cells::text($bracket, 'state');
        $between = (int) Cells::text($bracket, 'between');
        $struck = ($bracket['struck'] ?? false) === true;
        $missing = static fn (string $end): string => ($bracket[$end] ?? false) === true ? '' : ' class="missing"';
        $drawn = \sprintf('<path d="M11 2.5H6v15h5"%s/>', $missing('pre'));
        $drawn .= $state === 'broken' && ($bracket['post'] ?? false) !== true
            ? '<path d="M40 2l4 4-4 3 4 3-4 5" class="torn"/>'
            : \sprintf('<path d="M41 2.5h5v15h-5"%s/>', $missing('post'));
        for ($i = 0; $i < min($between, 3); ++$i) {
            $drawn .= \sprintf('<path d="M%d 6v8"/>', 33 + 3 * $i);
        }
        $drawn .= $state === 'running' ? '<path d="M29 10h8m-3-3 3 3-3 3"/>' : '';
        $words = Shown::joined(
            ', ',
            self::BRACKETS[$state] ?? $state,
            $between > 0 ? Shown::count($between, 'check').' in between' : '',
            $struck ? 'void' : '',
        );

        return \sprintf(
            '<svg class="bracket" viewBox="0 0 52 20" role="img" aria-label="%s">%s<circle cx="24" cy="10" r="3.4"/>%s</svg>',
            self::text($words),
            $drawn,
            $struck ? '<path d="M2 16 50 4" class="torn"/>' : '',
        );
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, \ENT_QUOTES | \ENT_SUBSTITUTE);
    }
}
