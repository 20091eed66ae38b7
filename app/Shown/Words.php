<?php

declare(strict_types=1);

namespace Footnote\App\Shown;

/** Labels within a sentence. */
final class Words
{
    /** With a small letter, unless it is a formula, a symbol or a name that is written with capitals: CO, pH, H₂S, L_Aeq. */
    public static function inSentence(string $label): string
    {
        return preg_match('/^\p{Lu}[\p{Ll} ]/u', $label) === 1 ? lcfirst($label) : $label;
    }
}
