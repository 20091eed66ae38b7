<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Another's, with a check that is not accepted yet; it takes the place of one of the same identifier. */
final readonly class GrownChronicle extends OfAnother
{
    public function __construct(Chronicle $of, private Check $more)
    {
        parent::__construct($of);
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

    protected function around(Chronicle $of): self
    {
        return new self($of, $this->more);
    }

    private function order(Check $check): int
    {
        return Check::inOrder($check, $this->more);
    }
}
