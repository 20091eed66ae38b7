<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Another's, noting how far it was asked. */
final readonly class WatchedChronicle extends OfAnother
{
    public function __construct(Chronicle $of, private Reach $reach)
    {
        parent::__construct($of);
    }

    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        $this->reach->note($moment);

        return $this->of->checksUntil($moment);
    }

    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        if ($until !== null) {
            $this->reach->note($until);
        }
        foreach ($this->of->checksFrom($from, $until) as $check) {
            $this->reach->note($check->at);
            yield $check;
        }
        if ($until === null) {
            $this->reach->noteEnd();
        }
    }

    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        if ($until !== null) {
            $this->reach->note($until);
        }
        foreach ($this->of->interventionsFrom($from, $until) as $event) {
            $this->reach->note($event->at);
            yield $event;
        }
        if ($until === null) {
            $this->reach->noteEnd();
        }
    }

    protected function around(Chronicle $of): self
    {
        return new self($of, $this->reach);
    }

    public function runsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): array
    {
        $until === null ? $this->reach->noteEnd() : $this->reach->note($until);

        return $this->of->runsFrom($from, $until);
    }

    public function runsAround(\DateTimeImmutable $from, \DateTimeImmutable $until): array
    {
        $this->reach->note($until);

        return $this->of->runsAround($from, $until);
    }
}
