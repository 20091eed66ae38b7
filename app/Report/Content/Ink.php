<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/** The inks that pictures of a report are drawn in. */
final class Ink
{
    public const TEXT = '#22201c';
    public const SOFT = '#5c564b';
    public const RULE = '#cfc7b5';
    public const FAINT = '#e9e3d4';
    public const SHADED = '#8a5300';
    public const LIMIT = '#9a1f1f';

    /** A number as it stands in a path. */
    public static function at(float $value): string
    {
        return rtrim(rtrim(number_format($value, 1, '.', ''), '0'), '.');
    }

    /** @param string $more attributes */
    public static function text(float $x, float $y, string $words, string $anchor = 'middle', string $more = ''): string
    {
        return \sprintf(
            '<text x="%s" y="%s" font-size="11" text-anchor="%s" fill="%s"%s>%s</text>',
            self::at($x),
            self::at($y),
            $anchor,
            self::SOFT,
            $more === '' ? '' : ' '.$more,
            htmlspecialchars($words, \ENT_XML1),
        );
    }

    public static function picture(int $width, int $height, string $words, string $drawn): string
    {
        return \sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %1$d %2$d" role="img" aria-label="%3$s">%4$s</svg>',
            $width,
            $height,
            htmlspecialchars($words, \ENT_XML1 | \ENT_QUOTES),
            $drawn,
        );
    }
}
