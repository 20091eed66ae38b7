<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What was worked out of unchanging evidence, so that it is worked out once. It holds nothing that is not in the evidence. */
final class Memory
{
    /** @var array<string, mixed> */
    private array $kept = [];

    /**
     * @template T
     *
     * @param \Closure(): T $workOut
     *
     * @return T
     */
    public function once(string $name, \Closure $workOut): mixed
    {
        if (!\array_key_exists($name, $this->kept)) {
            $this->kept[$name] = $workOut();
        }

        /** @var T */
        return $this->kept[$name];
    }
}
