<?php

declare(strict_types=1);

namespace Footnote\App\Report;

/** What a person decided of a run: it stands for the results that it covered, and for no other. */
final readonly class Decided
{
    /**
     * @param list<string> $covers keys of results
     * @param bool         $isOfThis whether it saw what is said now
     */
    public function __construct(
        private string $verdict,
        private string $by,
        private string $at,
        private string $reason,
        private array $covers,
        private bool $isOfThis,
    ) {
    }

    /**
     * @param string $result empty: of a run that has none
     *
     * @return array<string, string> by column; nothing of a result that it did not cover
     */
    public function of(string $result): array
    {
        return $result === '' || \in_array($result, $this->covers, true) ? [
            'decided' => $this->verdict,
            'decided_by' => $this->by,
            'decided_at' => $this->at,
            'decided_reason' => $this->reason,
            'decided_on' => $this->isOfThis ? 'this' : 'other evidence',
        ] : [];
    }
}
