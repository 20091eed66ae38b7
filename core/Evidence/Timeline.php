<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Everything known of one instrument, in the order in which it happened. */
final readonly class Timeline
{
    public Memory $memory;

    /** @var list<Check> */
    public array $checks;

    /** @var list<Intervention> */
    public array $interventions;

    /** @var list<Run> */
    public array $runs;

    /** @var array<int|string, Run> */
    private array $byName;

    /**
     * @param array<int|string, Reference> $references every reference its checks name, by identifier
     * @param Elsewhere                    $elsewhere  what other units' evidence says of it
     * @param string                       $channel    the one channel it is told of; empty: the whole unit
     * @param self|null                    $whole      the unit whose channel it is; what is worked out of it is remembered there
     */
    public function __construct(
        public Instrument $instrument,
        private Chronicle $chronicle,
        public array $references,
        public Elsewhere $elsewhere = new Elsewhere(),
        public string $channel = '',
        private ?self $whole = null,
    ) {
        $this->memory = $whole->memory ?? new Memory();
        $this->checks = $chronicle->checks;
        $this->interventions = $chronicle->interventions;
        $this->runs = $chronicle->runs;
        $this->byName = array_column($this->runs, null, 'id');
    }

    /** The same with its checks told in a zone, so that their days are those of the site. */
    public function toldIn(\DateTimeZone $zone): self
    {
        foreach ($this->checks as $check) {
            if ($check->at->getTimezone()->getName() !== $zone->getName()) {
                return $this->memory->once('told in '.$zone->getName().' '.$this->channel, fn (): self => new self(
                    $this->instrument,
                    $this->chronicle->having(array_map(static fn (Check $one): Check => $one->toldIn($zone), $this->checks)),
                    $this->references,
                    $this->elsewhere,
                    $this->channel,
                    $this->whole?->toldIn($zone),
                ));
            }
        }

        return $this;
    }

    /** The unit whose channel it is told of; itself where it is told of all. */
    public function whole(): self
    {
        return $this->whole ?? $this;
    }

    /** The same with one more check. */
    public function with(Check $check): self
    {
        $more = $this->chronicle->having([...$this->checks, $check]);

        return new self($this->instrument, $more, $this->references, $this->elsewhere);
    }

    /**
     * The same where a check may lean on any of these.
     *
     * @param array<int|string, Reference> $references by identifier
     */
    public function knowing(array $references): self
    {
        return new self($this->instrument, $this->chronicle, $references, $this->elsewhere);
    }

    /** The same with another taking of the known errors of recalled references. */
    public function taking(RecallTaken $taken): self
    {
        $known = array_filter(
            $this->references,
            static fn (Reference $one): bool => array_filter(
                $one->recalls,
                static fn (Recall $recall): bool => $recall->error !== null,
            ) !== [],
        );

        return $known === [] ? $this : new self(
            $this->instrument,
            $this->chronicle,
            array_map(static fn (Reference $one): Reference => $one->taking($taken), $this->references),
            $this->elsewhere,
            $this->channel,
            $this->whole?->taking($taken),
        );
    }

    public function run(string $id): ?Run
    {
        return $this->byName[$id] ?? null;
    }

    /** @return list<Reference> every reference that a check leans on, the one it names first */
    public function referencesOf(Check $check): array
    {
        $found = [];
        foreach ([$check->reference, ...$check->content->leansOn()] as $id) {
            if ($id !== null && isset($this->references[$id])) {
                $found[$id] = $this->references[$id];
            }
        }

        return array_values($found);
    }

    public function referenceOf(Check $check): ?Reference
    {
        return $check->reference === null ? null : ($this->references[$check->reference] ?? null);
    }
}
