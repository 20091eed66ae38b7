<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Everything known of one instrument, in the order in which it happened. */
final readonly class Timeline
{
    /** Before anything that anybody measured. */
    public const BEGINNING = '0001-01-01T00:00:00Z';

    /** After anything that anybody will measure. */
    public const END = '9999-12-31T00:00:00Z';

    /** What was worked out of the unit and holds for every run of it. */
    public Memory $memory;

    /** What was worked out while one run is judged. */
    public Memory $judging;

    /** The one channel it is told of; empty: the whole unit. */
    public string $channel;

    /**
     * @param References $references whatever its checks name
     * @param Elsewhere  $elsewhere  what bears on whose its logs are
     * @param self|null  $whole      the unit whose channel it is
     */
    public function __construct(
        public Instrument $instrument,
        private Chronicle $chronicle,
        public References $references,
        public Elsewhere $elsewhere = new RecordedElsewhere(),
        public Marks $marks = new RememberedMarks(),
        private Telling $telling = new Telling(),
        private ?self $whole = null,
    ) {
        $this->memory = $telling->memory;
        $this->judging = $telling->judging;
        $this->channel = $telling->channel;
    }

    /** The same while one run is judged, noting how far it is asked. */
    public function watched(Reach $reach): self
    {
        return $this->told(
            new WatchedChronicle($this->chronicle, $reach),
            new Telling($this->channel, $this->telling->taken, $this->memory),
        );
    }

    /** The same with its checks told in a zone, so that their days are those of the site. */
    public function toldIn(\DateTimeZone $zone): self
    {
        return $this->memory->once('told in '.$zone->getName(), fn (): self => $this->told(
            new ToldChronicle(
                $this->chronicle,
                static fn (Check $check): Check => $check->toldIn($zone),
                static fn (): bool => true,
            ),
            new Telling($this->channel, $this->telling->taken),
        ));
    }

    /**
     * One channel of it.
     *
     * @param \Closure(Check): ?Check       $tell    a check as the channel's own; null: it is nothing to it
     * @param \Closure(Intervention): bool $touches
     */
    public function ofChannel(string $channel, \Closure $tell, \Closure $touches): self
    {
        return $this->judging->once('channel '.$channel, fn (): self => new self(
            $this->instrument,
            new ToldChronicle($this->chronicle, $tell, $touches),
            $this->references,
            $this->elsewhere,
            $this->marks,
            new Telling($channel, $this->telling->taken, $this->memory, $this->judging),
            $this,
        ));
    }

    /** The same unit with its checks as they were first written; null where nothing was corrected. */
    public function asWritten(): ?self
    {
        $written = $this->chronicle->asWritten();

        return $written === null ? null : new self(
            $this->instrument,
            $written,
            $this->references,
            $this->elsewhere,
            new RememberedMarks(),
            new Telling($this->channel, $this->telling->taken),
        );
    }

    /** The unit whose channel it is told of; itself where it is told of all. */
    public function whole(): self
    {
        return $this->whole ?? $this;
    }

    /** The same with one more check. */
    public function with(Check $check): self
    {
        return new self(
            $this->instrument,
            new GrownChronicle($this->chronicle, $check),
            $this->references,
            $this->elsewhere,
            new RememberedMarks($this->marks, $check->at),
        );
    }

    /** The same where a check may lean on any of these. */
    public function knowing(References $references): self
    {
        return new self($this->instrument, $this->chronicle, $references, $this->elsewhere, $this->marks);
    }

    /** The same with another taking of the known errors of recalled references. */
    public function taking(RecallTaken $taken): self
    {
        return $taken === $this->telling->taken || !$this->references->haveKnownErrors()
            ? $this
            : $this->told($this->chronicle, new Telling($this->channel, $taken), $this->whole?->taking($taken));
    }

    private function told(Chronicle $chronicle, Telling $telling, ?self $whole = null): self
    {
        return new self($this->instrument, $chronicle, $this->references, $this->elsewhere, $this->marks, $telling, $whole);
    }

    /** @return iterable<Check> up to a moment and at it, the latest first */
    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        return $this->chronicle->checksUntil($moment);
    }

    /** @return iterable<Check> from a moment on and at it, the earliest first; null: without end */
    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        return $this->chronicle->checksFrom($from, $until);
    }

    /** The last of them; null where there is none. */
    public function lastCheck(): ?Check
    {
        foreach ($this->checksUntil(new \DateTimeImmutable(self::END)) as $check) {
            return $check;
        }

        return null;
    }

    /** @return list<Run> that go on */
    public function runningRuns(): array
    {
        $end = new \DateTimeImmutable(self::END);

        return $this->runsAround($end, $end);
    }

    public function check(string $id): ?Check
    {
        return $this->chronicle->check($id);
    }

    /** @return iterable<Intervention> from a moment on and at it, the earliest first; null: without end */
    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        return $this->chronicle->interventionsFrom($from, $until);
    }

    /** @return list<Run> that began in between, by their start; null: without end */
    public function runsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): array
    {
        return $this->chronicle->runsFrom($from, $until);
    }

    /** @return list<Run> that went on in between: begun before the one moment, not over at the other */
    public function runsAround(\DateTimeImmutable $from, \DateTimeImmutable $until): array
    {
        return $this->chronicle->runsAround($from, $until);
    }

    public function run(string $id): ?Run
    {
        return $this->chronicle->run($id);
    }

    /** @return list<Check> all of them: for whoever shows a unit as a whole, never to judge one run */
    public function checks(): array
    {
        return self::listed($this->checksFrom(new \DateTimeImmutable(self::BEGINNING)));
    }

    /** @return list<Intervention> all of them: for whoever shows a unit as a whole, never to judge one run */
    public function interventions(): array
    {
        return self::listed($this->interventionsFrom(new \DateTimeImmutable(self::BEGINNING)));
    }

    /** @return list<Run> all of them: for whoever shows a unit as a whole, never to judge one */
    public function runs(): array
    {
        return $this->runsFrom(new \DateTimeImmutable(self::BEGINNING));
    }

    /** Under which marks of it are kept. */
    public function markOf(string $fold): MarkOf
    {
        return new MarkOf($fold, $this->channel, $this->telling->taken);
    }

    /** @return list<Reference> every reference that a check leans on, the one it names first */
    public function referencesOf(Check $check): array
    {
        return array_values(array_filter(array_map($this->reference(...), $check->leansOn())));
    }

    public function referenceOf(Check $check): ?Reference
    {
        return $check->reference === null ? null : $this->reference($check->reference);
    }

    public function reference(string $id): ?Reference
    {
        $reference = $this->references->find($id);

        return $reference === null || $this->telling->taken === RecallTaken::Whole
            ? $reference
            : $this->memory->once('reference '.$id, fn (): Reference => $reference->taking($this->telling->taken));
    }

    /**
     * @template T
     *
     * @param iterable<T> $items
     *
     * @return list<T>
     */
    private static function listed(iterable $items): array
    {
        return \is_array($items) ? array_values($items) : iterator_to_array($items, false);
    }
}
