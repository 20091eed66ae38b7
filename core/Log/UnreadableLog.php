<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** A log file cannot be read as told; names the lines. */
final class UnreadableLog extends \InvalidArgumentException
{
    /** @param non-empty-list<array{line: int|null, problem: string}> $problems the first of them */
    public function __construct(public readonly array $problems)
    {
        $first = $problems[0];
        $where = $first['line'] === null ? '' : 'line '.$first['line'].': ';
        $more = \count($problems) > 1 ? \sprintf(' (and %d more)', \count($problems) - 1) : '';
        parent::__construct($where.$first['problem'].$more);
    }

    public static function because(string $problem, ?int $line = null): self
    {
        return new self([['line' => $line, 'problem' => $problem]]);
    }
}
