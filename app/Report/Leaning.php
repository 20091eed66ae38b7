<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Storage\Cells;

/** On which references checks lean. */
final readonly class Leaning
{
    /** @param array<string, list<string>> $references by = and the check */
    public function __construct(private array $references)
    {
    }

    /**
     * @param array<string, mixed> $bracket as it is written
     *
     * @return array<string, string> by column
     */
    public function of(array $bracket): array
    {
        $ends = [$bracket['pre'] ?? null, ...Cells::rows($bracket, 'between'), $bracket['post'] ?? null];
        $checks = [];
        $references = [];
        foreach (array_filter($ends, \is_array(...)) as $end) {
            $check = \is_string($end['check'] ?? null) ? $end['check'] : '';
            $checks[] = $check;
            array_push($references, ...$this->references['='.$check] ?? []);
        }

        return [
            'bracket' => \is_string($bracket['state'] ?? null) ? $bracket['state'] : '',
            'checks' => implode(' ', $checks),
            'references' => implode(' ', array_unique($references)),
        ];
    }
}
