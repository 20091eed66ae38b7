<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Another's, with a check that is not accepted yet; it takes the place of one of the same identifier. */
final readonly class GrownChronicle implements Chronicle
{
    public function __construct(private Chronicle $of, private Check $more)
    {
    }

    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        $isTold = $this->more->at > $moment;
        foreach ($this->of->checksUntil($moment) as $check) {
            if (!$isTold && $this->order($check) < 0) {
                $isTold = true;
                yield $this->more;
            }
            if ($check->id !== $this->more->id) {
                yield $check;
            }
        }
        if (!$isTold) {
            yield $this->more;
        }
    }

    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        $isTold = $this->more->at < $from || ($until !== null && $this->more->at > $until);
        foreach ($this->of->checksFrom($from, $until) as $check) {
            if (!$isTold && $this->order($check) > 0) {
                $isTold = true;
                yield $this->more;
            }
            if ($check->id !== $this->more->id) {
                yield $check;
            }
        }
        if (!$isTold) {
            yield $this->more;
        }
    }

    public function check(string $id): ?Check
    {
        return $id === $this->more->id ? $this->more : $this->of->check($id);
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

    private function order(Check $check): int
    {
        return [$check->at, $check->id] <=> [$this->more->at, $this->more->id];
    }
}
