<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** How much of a working day a run sampled, and which of its results speak of the whole day. */
final readonly class SampledDay
{
    /** @param list<string> $keys of the results */
    public function __construct(public float $seconds, public array $keys)
    {
    }

    /**
     * @param list<Result> $results
     * @param list<string> $kinds   beginnings of keys
     */
    public static function of(float $seconds, array $results, array $kinds): self
    {
        $keys = array_map(static fn (Result $result): string => $result->key, $results);

        return new self($seconds, array_values(array_filter($keys, static fn (string $key): bool => \in_array(explode(':', $key)[0], $kinds, true))));
    }
}
