<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** A family at whose bench something is answered in one go that stands apart in the section of its check. */
interface TranslatesAnswers
{
    /**
     * @param array<string, mixed> $answers of a half-done check
     *
     * @return array<string, mixed> the same, with an answer for each entry of the section
     */
    public function translate(array $answers): array;
}
