<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** The places of a day and how long it takes from one to another, as somebody wrote it down. Kit is kept and checked at the base. */
final readonly class Places
{
    /** @var array<string, int> minutes by the two places in their order */
    private array $minutes;

    /**
     * @param list<array{string, string, int}> $ways two places, and the minutes between them: the same there and back
     */
    public function __construct(public string $base, array $ways)
    {
        $minutes = [];
        foreach ($ways as $way) {
            $minutes[self::key($way[0], $way[1])] = $way[2];
        }
        $this->minutes = $minutes;
    }

    /** @throws UnknownWay where nobody has said how long it takes */
    public function between(string $one, string $other): int
    {
        return $one === $other
            ? 0
            : $this->minutes[self::key($one, $other)] ?? throw new UnknownWay($one, $other);
    }

    /** @return array{string, string}|null the first two of these between which nobody has said how long it takes */
    public function unknownAmong(string ...$places): ?array
    {
        $all = array_values(array_unique([$this->base, ...$places]));
        foreach ($all as $place => $one) {
            foreach (\array_slice($all, $place + 1) as $other) {
                if (!isset($this->minutes[self::key($one, $other)])) {
                    return [$one, $other];
                }
            }
        }

        return null;
    }

    private static function key(string $one, string $other): string
    {
        return $one <= $other ? "$one\n$other" : "$other\n$one";
    }
}
