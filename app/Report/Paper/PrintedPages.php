<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Report\Content\Labels;
use Footnote\App\Storage\Cells;

/** Parts of a report as one HTML document that is printed: it carries its letters with it, and forbids scripts and all from outside. */
final readonly class PrintedPages
{
    /** The letters that the build of the web client lays beside it, by family. */
    private const FONTS = ['Source Serif 4 Variable' => 'source-serif-4', 'Source Sans 3 Variable' => 'source-sans-3'];
    private const LETTERS = ['latin-ext', 'greek', 'latin'];
    private const STYLES = ['400-normal', '400-italic', '600-normal'];
    /** What the first two of the letters are for; the last stand for all others. */
    private const RANGES = ['latin-ext' => 'U+0100-02FF,U+1E00-1EFF', 'greek' => 'U+0370-03FF'];
    /** Where the pages of a part are not known yet, as many digits are kept free. */
    public const UNKNOWN = '000';

    private string $style;

    public function __construct(private Imprint $imprint, private PaperSize $paper, string $project)
    {
        $fonts = '';
        foreach (self::FONTS as $family => $file) {
            foreach (self::LETTERS as $letters) {
                foreach (self::STYLES as $style) {
                    $fonts .= self::font($project, $family, $file, $letters, $style);
                }
            }
        }
        $this->style = $fonts.file_get_contents($project.'/contract/paper.css').file_get_contents(__DIR__.'/print.css');
    }

    /** @param string $parts HTML of its parts */
    public function html(string $parts): string
    {
        return $this->document($this->page(), $parts);
    }

    /** Pages that hold their numbers alone, to be laid over others. */
    public function numbers(int $pages): string
    {
        return $this->document(
            $this->sized('@bottom-right'.self::edge(\sprintf('"page " counter(page) " of %d"', $pages), ';width:20%;text-align:right')),
            str_repeat('<div style="break-after:page;height:1px"></div>', $pages - 1).'<div style="height:1px"></div>',
        );
    }

    private function document(string $page, string $body): string
    {
        return \sprintf(
            '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta http-equiv="Content-Security-Policy" content="%s">'
                ."<title>%s</title><style>%s\n%s</style></head><body class=\"paper\">%s</body></html>",
            "default-src 'none'; style-src 'unsafe-inline'; font-src data:",
            htmlspecialchars($this->imprint->title),
            $this->style,
            $page,
            $body,
        );
    }

    private static function font(string $project, string $family, string $file, string $letters, string $style): string
    {
        $path = \sprintf('%s/public/build/paper/%s-%s-%s.woff2', $project, $file, $letters, $style);
        [$weight, $slope] = explode('-', $style);

        return is_file($path) ? \sprintf(
            "@font-face{font-family:'%s';font-weight:%s;font-style:%s;src:url(data:font/woff2;base64,%s) format('woff2')%s}\n",
            $family,
            $weight,
            $slope,
            base64_encode((string) file_get_contents($path)),
            isset(self::RANGES[$letters]) ? ';unicode-range:'.self::RANGES[$letters] : '',
        ) : '';
    }

    /** The label on the cover: what it is, and how to find out whether it still stands. */
    public function label(): string
    {
        $lines = '';
        foreach ($this->imprint->label as $what => $is) {
            $lines .= \sprintf('<p><span class="soft">%s:</span> <b>%s</b></p>', htmlspecialchars($what), htmlspecialchars($is));
        }
        if ($this->imprint->digest !== '') {
            $lines .= \sprintf('<p class="digest"><span class="soft">%s (SHA-256):</span> %s</p>', Labels::DIGEST, $this->imprint->digest);
        }

        return \sprintf('<div class="label"><div>%s</div>%s</div>', $lines, $this->imprint->square);
    }

    /**
     * @param list<array<string, mixed>> $parts each with its name and title
     * @param array<string, int>         $pages by name; where they are not known yet, room is left for them
     * @param string                     $count of all pages, in words
     */
    public static function contents(array $parts, array $pages, string $count): string
    {
        $lines = '';
        foreach ($parts as $part) {
            $name = Cells::text($part, 'part');
            $lines .= \sprintf(
                '<li%s><span>%s</span><b>%s</b></li>',
                str_starts_with($name, 'run:') ? ' class="deep"' : '',
                htmlspecialchars(Cells::text($part, 'title')),
                (string) ($pages[$name] ?? self::UNKNOWN),
            );
        }

        return \sprintf('<ul class="contents">%s</ul><p class="soft">%s.</p>', $lines, $count);
    }

    /** The place that a part begins at, as links name it. */
    public static function place(string $part): string
    {
        return PaperHtml::name('part '.$part);
    }

    /** @param array<string, mixed> $part */
    public static function part(array $part): string
    {
        $name = Cells::text($part, 'part');
        $paper = new PaperHtml($name);

        // A link to itself makes its beginning a place of the document, by which its page is found.
        return \sprintf(
            '<section class="part part-%1$s" id="%2$s"><a class="here" href="#%2$s" aria-label="%3$s"></a>%4$s</section>',
            preg_replace('/:.*/', '', $name),
            self::place($name),
            htmlspecialchars(Cells::text($part, 'title'), \ENT_QUOTES),
            implode('', array_map($paper->block(...), Cells::rows($part, 'blocks'))),
        );
    }

    private function page(): string
    {
        return $this->sized(\sprintf(
            '@top-left%s@top-right%s@bottom-left%s',
            self::edge(self::quoted($this->imprint->title), ';width:60%;text-align:left'),
            self::edge(self::quoted($this->imprint->head), ';width:40%;text-align:right;font-weight:700'),
            self::edge(self::quoted($this->imprint->foot), ';width:80%;text-align:left'),
        ));
    }

    private function sized(string $edges): string
    {
        return \sprintf('@page{size:%s;margin:19mm 15mm 18mm;%s}', $this->paper->value, $edges);
    }

    private static function edge(string $content, string $more): string
    {
        return \sprintf(
            "{content:%s;font:8pt 'Source Sans 3 Variable','DejaVu Sans',sans-serif;color:#5c564b%s}",
            $content,
            $more,
        );
    }

    /** A text of any letters as a string of CSS within HTML. */
    private static function quoted(string $text): string
    {
        return '"'.preg_replace_callback(
            '/[^A-Za-z0-9 ,.:;()\x{80}-\x{10FFFF}-]/u',
            static fn (array $found): string => \sprintf('\\%x ', mb_ord($found[0])),
            mb_strimwidth($text, 0, 110, '…'),
        ).'"';
    }
}
