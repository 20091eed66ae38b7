<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a half-done check shows: lines of figures, and questions where something looks odd. */
final readonly class LiveSheet
{
    /**
     * @param list<LiveLine> $lines
     * @param list<string>   $questions what looks odd and may yet be right
     */
    public function __construct(public array $lines, public array $questions = [])
    {
    }
}
