<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

/** Where the readings of one channel of a source go at a step. */
final readonly class Feed
{
    /** Replicates are taken so many seconds apart (own). */
    public const EVERY = 10;

    /**
     * @param string                $channel  as a source prints it
     * @param string                $column   of a row, or of the step's own fields
     * @param non-empty-list<string> $in      the units of measure in which it is read; what is printed in another is not taken
     * @param array<string, string> $row      what stands in the row beside it, such as its channel
     * @param Steadiness|null       $steady   when it may be taken; null: at any time, such as what is timed or counted
     * @param int                   $readings how many are taken at once, over the last twenty seconds
     * @param bool                  $measured whether its unit stands beside it in the record
     */
    public function __construct(
        public string $channel,
        public string $column,
        public array $in,
        public array $row = [],
        public ?Steadiness $steady = null,
        public int $readings = 1,
        public bool $measured = false,
    ) {
    }

    /** @return string|array{value: string, unit: string} a reading as the record has it */
    public function written(Sample $sample): string|array
    {
        return $this->measured ? ['value' => $sample->value->written, 'unit' => $sample->in] : $sample->value->written;
    }

    public function readsIn(string $unit): bool
    {
        return \in_array($unit, $this->in, true);
    }
}
