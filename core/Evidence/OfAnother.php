<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A chronicle that tells another's: whatever it does not tell differently is the other's. */
abstract readonly class OfAnother implements Chronicle
{
    public function __construct(protected Chronicle $of)
    {
    }

    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        return $this->of->checksUntil($moment);
    }

    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        return $this->of->checksFrom($from, $until);
    }

    public function check(string $id): ?Check
    {
        return $this->of->check($id);
    }

    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        return $this->of->interventionsFrom($from, $until);
    }

    public function runsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): array
    {
        return $this->of->runsFrom($from, $until);
    }

    public function runsAround(\DateTimeImmutable $from, \DateTimeImmutable $until): array
    {
        return $this->of->runsAround($from, $until);
    }

    public function run(string $id): ?Run
    {
        return $this->of->run($id);
    }

    public function asWritten(): ?Chronicle
    {
        $written = $this->of->asWritten();

        return $written === null ? null : $this->around($written);
    }

    /** Another told in the same way. */
    abstract protected function around(Chronicle $of): self;
}
