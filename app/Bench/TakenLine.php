<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

/** On which lines of a kept file a reading stands: "F-00012:37", and of a volume and its time "F-00012:37,38". */
final readonly class TakenLine
{
    /** @param non-empty-list<int> $lines from 1 */
    public function __construct(public string $file, public array $lines)
    {
    }

    /** Null where it is none. */
    public static function read(mixed $written): ?self
    {
        return \is_string($written) && preg_match('/^([^:]+):(\d{1,6}(?:,\d{1,6})*)$/D', $written, $part) === 1
            ? new self($part[1], array_map(intval(...), explode(',', $part[2])))
            : null;
    }

    public function written(): string
    {
        return $this->file.':'.implode(',', $this->lines);
    }
}
