<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

/**
 * Binds what was printed in parts to one document: pages, bookmarks, the tree of tags that readers aloud follow, and the places that links
 * lead to; the number of each page is laid over it. Written object by object, so that only one part is in memory.
 */
final class BoundPdf
{
    private const CATALOGUE = 1;
    private const PAGES = 2;
    private const OUTLINES = 3;
    private const TAGS = 4;
    private const TAG_PLACES = 5;
    private const INFORMATION = 6;
    /** What stands before what a page draws, and after it: its number, which readers aloud pass over. */
    private const BEFORE = 7;
    private const AFTER = 8;
    private const NUMBER = 'FnNumber';

    /** @var array<int, int> where each object begins */
    private array $offsets = [];
    private int $next = 9;
    private int $pages = 0;
    private int $tagKeys = 0;

    /** @var list<int> */
    private array $trees = [];

    /** @var list<string> */
    private array $documents = [];

    /** @var list<int> drawings of the numbers, in the order of the pages */
    private array $numbers = [];

    private string $tagPlaces = '';
    private string $places = '';

    /** @var list<array{first: int, last: int, count: int}> bookmarks of each part */
    private array $bookmarks = [];

    /** @var array{int, string}|null the last bookmark of the part before, which waits for the one after it */
    private ?array $waiting = null;

    /** @param PdfPages $numbers pages that hold their numbers alone, one for each page that will be bound */
    public function __construct(private readonly \SplFileObject $file, PdfPages $numbers)
    {
        $this->file->fwrite("%PDF-1.7\n%\u{E2}\u{E3}\u{CF}\u{D3}\n");
        $this->write(self::BEFORE, self::stream('q'));
        $this->write(self::AFTER, self::stream(\sprintf('Q q /Artifact BMC /%s Do EMC Q', self::NUMBER)));
        $base = $this->next - 1;
        $numbered = static fn (int $number): int => $base + $number;
        $drawn = [];
        foreach ($numbers->pages() as $page) {
            $content = (int) $numbers->entry($page, 'Contents');
            preg_match('/\/Resources (<<.*>>)\n(\/MediaBox) (\[[^\]]*\])/s', $numbers->objects[$page], $found);
            $drawn[$content] = \sprintf("/Type /XObject\n/Subtype /Form\n/Resources %s\n/BBox %s", $found[1] ?? '<<>>', $found[3] ?? '[]');
            $this->numbers[] = $numbered($content);
        }
        foreach ($numbers->objects as $number => $object) {
            if (preg_match('/^<<\/Type \/(Catalog|Pages?)\b/', $object) !== 1) {
                // What a page draws becomes something that another page can draw.
                $told = isset($drawn[$number]) ? '<<'.$drawn[$number]."\n".substr($object, 2) : $object;
                $this->write($numbered($number), PdfPages::renumbered($told, $numbered));
            }
        }
        $this->next = $base + $numbers->last() + 1;
    }

    /** @throws PrintFailed */
    public function add(PdfPages $part): void
    {
        $shared = [
            $part->named('Outlines') => self::OUTLINES,
            $part->named('StructTreeRoot') => self::TAGS,
        ];
        $left = [
            ...array_keys($shared),
            (int) $part->entry($part->named('StructTreeRoot'), 'ParentTree'),
            $part->named('Dests'),
        ];
        unset($shared[0]);
        $base = $this->next - 1;
        $numbered = static fn (int $number): int => $shared[$number] ?? $base + $number;
        $first = (int) $part->entry($part->named('Outlines'), 'First');
        $last = (int) $part->entry($part->named('Outlines'), 'Last');
        $root = $part->named('Pages');
        $pages = array_flip($part->pages());
        if ($first !== 0) {
            $this->letGo($numbered($first));
        }
        foreach ($part->objects as $number => $object) {
            if (\in_array($number, $left, true) || str_starts_with($object, '<</Type /Catalog')) {
                continue;
            }
            $told = $this->tagged(PdfPages::renumbered($object, $numbered));
            if (isset($pages[$number])) {
                $told = $this->withNumber($told, $this->pages + $pages[$number]);
            }
            if ($number === $root) {
                $told = self::with($told, '/Parent '.self::PAGES.' 0 R');
            }
            if ($number === $first && $this->bookmarks !== []) {
                $told = self::with($told, '/Prev '.$this->bookmarks[\count($this->bookmarks) - 1]['last'].' 0 R');
            }
            if ($number === $last) {
                // Whether another follows is known when the next part comes.
                $this->waiting = [$numbered($number), $told];
                continue;
            }
            $this->write($numbered($number), $told);
        }
        $this->collect($part, $numbered);
        $this->next = $base + $part->last() + 1;
        if ($first !== 0) {
            $this->bookmarks[] = [
                'first' => $numbered($first),
                'last' => $numbered($last),
                'count' => max(1, abs((int) $part->entry($part->named('Outlines'), 'Count'))),
            ];
        }
    }

    /** @param string $title of the document, and when it was made, as PDF writes it */
    public function close(string $title, \DateTimeImmutable $made): void
    {
        $this->letGo(null);
        $last = $this->bookmarks[\count($this->bookmarks) - 1]['last'] ?? 0;
        $this->write(self::PAGES, \sprintf(
            '<</Type /Pages /Count %d /Kids [%s]>>',
            $this->pages,
            implode(' ', array_map(static fn (int $tree): string => $tree.' 0 R', $this->trees)),
        ));
        $this->write(self::OUTLINES, $this->bookmarks === [] ? '<</Type /Outlines /Count 0>>' : \sprintf(
            '<</Type /Outlines /First %d 0 R /Last %d 0 R /Count %d>>',
            $this->bookmarks[0]['first'],
            $last,
            array_sum(array_column($this->bookmarks, 'count')),
        ));
        $this->write(self::TAG_PLACES, '<</Type /ParentTree /Nums ['.$this->tagPlaces.']>>');
        $this->write(self::TAGS, \sprintf(
            '<</Type /StructTreeRoot /K [%s] /ParentTreeNextKey %d /ParentTree %d 0 R>>',
            implode(' ', $this->documents),
            $this->tagKeys,
            self::TAG_PLACES,
        ));
        $this->write(self::INFORMATION, \sprintf(
            '<</Title %s /Creator (Footnote) /CreationDate (D:%s)>>',
            self::text($title),
            $made->setTimezone(new \DateTimeZone('UTC'))->format('YmdHis\Z'),
        ));
        $this->write(self::CATALOGUE, \sprintf(
            '<</Type /Catalog /Pages %d 0 R /Outlines %d 0 R /StructTreeRoot %d 0 R /MarkInfo <</Marked true>> /Lang (en)'
                .' /PageMode /UseOutlines /ViewerPreferences <</DisplayDocTitle true>> /Dests <<%s>>>>',
            self::PAGES,
            self::OUTLINES,
            self::TAGS,
            $this->places,
        ));
        $this->table();
    }

    public function pages(): int
    {
        return $this->pages;
    }

    /** @param \Closure(int): int $numbered */
    private function collect(PdfPages $part, \Closure $numbered): void
    {
        $this->pages += $part->count();
        $this->trees[] = $numbered($part->named('Pages'));
        $tags = $part->objects[$part->named('StructTreeRoot')] ?? '';
        if (preg_match('/\/K (?:\[([^\]]*)\]|(\d+ 0 R))/', $tags, $found) === 1) {
            $this->documents[] = PdfPages::renumbered(trim($found[1].($found[2] ?? '')), $numbered);
        }
        $tree = $part->objects[(int) $part->entry($part->named('StructTreeRoot'), 'ParentTree')] ?? '';
        preg_match_all('/(\d+) (\d+) 0 R/', substr($tree, (int) strpos($tree, '/Nums')), $places, \PREG_SET_ORDER);
        foreach ($places as [, $key, $object]) {
            $this->tagPlaces .= \sprintf('%d %d 0 R ', (int) $key + $this->tagKeys, $numbered((int) $object));
        }
        $this->tagKeys += (int) $part->entry($part->named('StructTreeRoot'), 'ParentTreeNextKey');
        $places = $part->objects[$part->named('Dests')] ?? '';
        $this->places .= PdfPages::renumbered(trim((string) preg_replace('/^<<|>>$/', '', trim($places))), $numbered).' ';
    }

    /**
     * A page with its number over it.
     *
     * @param int $place from 0
     */
    private function withNumber(string $page, int $place): string
    {
        $number = $this->numbers[$place] ?? throw new PrintFailed('There are more pages than numbers.');
        $named = \sprintf('/%s %d 0 R', self::NUMBER, $number);
        $page = str_contains($page, '/XObject <<')
            ? str_replace('/XObject <<', '/XObject <<'.$named."\n", $page)
            : str_replace('/Resources <<', '/Resources <</XObject <<'.$named.">>\n", $page);

        return (string) preg_replace(
            '/\/Contents (\d+ 0 R)/',
            \sprintf('/Contents [%d 0 R $1 %d 0 R]', self::BEFORE, self::AFTER),
            $page,
        );
    }

    private static function stream(string $content): string
    {
        return \sprintf("<</Length %d>> stream\n%s\nendstream", \strlen($content), $content);
    }

    /** Which tag a page or a link has is told by a number that counts on through all parts. */
    private function tagged(string $object): string
    {
        return (string) preg_replace_callback(
            '/^((?:<<\/Type \/Page\n|<<\/Type \/Annot\n)(?s:.*)\/StructParents? )(\d+)/',
            fn (array $found): string => $found[1].((int) $found[2] + $this->tagKeys),
            $object,
        );
    }

    private function letGo(?int $next): void
    {
        if ($this->waiting !== null) {
            [$number, $told] = $this->waiting;
            $this->write($number, $next === null ? $told : self::with($told, '/Next '.$next.' 0 R'));
            $this->waiting = null;
        }
    }

    private static function with(string $dictionary, string $entry): string
    {
        return substr($dictionary, 0, (int) strrpos($dictionary, '>>'))."\n".$entry.'>>';
    }

    private function write(int $number, string $object): void
    {
        $this->offsets[$number] = (int) $this->file->ftell();
        $this->file->fwrite($number." 0 obj\n".$object."\nendobj\n");
    }

    private function table(): void
    {
        $begin = (int) $this->file->ftell();
        $size = $this->next;
        $this->file->fwrite("xref\n0 $size\n0000000000 65535 f \n");
        for ($number = 1; $number < $size; ++$number) {
            $this->file->fwrite(isset($this->offsets[$number])
                ? \sprintf("%010d 00000 n \n", $this->offsets[$number])
                : "0000000000 00000 f \n");
        }
        $this->file->fwrite(\sprintf(
            "trailer\n<</Size %d /Root %d 0 R /Info %d 0 R>>\nstartxref\n%d\n%%%%EOF\n",
            $size,
            self::CATALOGUE,
            self::INFORMATION,
            $begin,
        ));
    }

    /** A text of any letters. */
    private static function text(string $text): string
    {
        return '<'.strtoupper(bin2hex("\xFE\xFF".mb_convert_encoding($text, 'UTF-16BE', 'UTF-8'))).'>';
    }
}
