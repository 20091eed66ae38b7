<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** The text is not a plain decimal number. */
final class MalformedDecimal extends \InvalidArgumentException
{
    public static function text(string $text): self
    {
        $shown = mb_strlen($text) > 40 ? mb_substr($text, 0, 40).'…' : $text;

        return new self(\sprintf('"%s" is not a decimal number: write digits with one point or comma, such as 93.6 or 93,6.', $shown));
    }
}
