<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a half-done check shows: lines of figures, questions where something looks odd, and what stands by now. */
final readonly class LiveSheet
{
    /**
     * @param list<LiveLine> $lines
     * @param list<string>   $questions what looks odd and may yet be right
     * @param list<string>   $said      what may be relied on by now
     */
    public function __construct(public array $lines, public array $questions = [], public array $said = [])
    {
    }

    public function with(self $more): self
    {
        return new self([...$this->lines, ...$more->lines], [...$this->questions, ...$more->questions], [...$this->said, ...$more->said]);
    }
}
