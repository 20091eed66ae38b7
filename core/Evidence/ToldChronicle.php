<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Another's checks told differently: in the zone of a site, or as those of one channel, to which some are nothing. */
final readonly class ToldChronicle extends OfAnother
{
    /** @var \WeakMap<Check, object> each as it was told, so that it is told once */
    private \WeakMap $told;

    /**
     * @param \Closure(Check): ?Check       $tell    null: a check that is none to it
     * @param \Closure(Intervention): bool $touches
     */
    public function __construct(Chronicle $of, private \Closure $tell, private \Closure $touches)
    {
        parent::__construct($of);
        $this->told = new \WeakMap();
    }

    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        foreach ($this->of->checksUntil($moment) as $check) {
            $told = $this->told($check);
            if ($told !== null) {
                yield $told;
            }
        }
    }

    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        foreach ($this->of->checksFrom($from, $until) as $check) {
            $told = $this->told($check);
            if ($told !== null) {
                yield $told;
            }
        }
    }

    public function check(string $id): ?Check
    {
        $check = $this->of->check($id);

        return $check === null ? null : $this->told($check);
    }

    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        foreach ($this->of->interventionsFrom($from, $until) as $event) {
            if (($this->touches)($event)) {
                yield $event;
            }
        }
    }

    protected function around(Chronicle $of): self
    {
        return new self($of, $this->tell, $this->touches);
    }

    private function told(Check $check): ?Check
    {
        $told = $this->told[$check] ??= ($this->tell)($check) ?? $this;

        return $told instanceof Check ? $told : null;
    }
}
