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
     * @param list<Check>              $checks
     * @param list<Intervention>       $interventions
     * @param list<Run>                $runs
     * @param array<int|string, Reference> $references    every reference its checks name, by identifier
     * @param string                   $channel       the one channel it is told of; empty: the whole unit
     * @param self|null                $whole         the unit whose channel it is; what is worked out of it is remembered there
     * @param Elsewhere                $elsewhere     what other units' evidence says of it
     */
    public function __construct(
        public Instrument $instrument,
        array $checks,
        array $interventions,
        array $runs,
        public array $references,
        public string $channel = '',
        public ?self $whole = null,
        public Elsewhere $elsewhere = new Elsewhere(),
    ) {
        usort($checks, static fn (Check $a, Check $b): int => [$a->at, $a->id] <=> [$b->at, $b->id]);
        usort($interventions, static fn (Intervention $a, Intervention $b): int => [$a->at, $a->id] <=> [$b->at, $b->id]);
        usort($runs, static fn (Run $a, Run $b): int => [$a->start, $a->id] <=> [$b->start, $b->id]);
        $this->memory = $whole->memory ?? new Memory();
        $this->checks = $checks;
        $this->interventions = $interventions;
        $this->runs = $runs;
        $this->byName = array_column($runs, null, 'id');
    }

    /** The same with its checks told in a zone, so that their days are those of the site. */
    public function toldIn(\DateTimeZone $zone): self
    {
        foreach ($this->checks as $check) {
            if ($check->at->getTimezone()->getName() !== $zone->getName()) {
                return $this->memory->once('told in '.$zone->getName().' '.$this->channel, fn (): self => new self(
                    $this->instrument,
                    array_map(static fn (Check $one): Check => $one->toldIn($zone), $this->checks),
                    $this->interventions,
                    $this->runs,
                    $this->references,
                    $this->channel,
                    $this->whole?->toldIn($zone),
                    $this->elsewhere,
                ));
            }
        }

        return $this;
    }

    /** The same with one more check. */
    public function with(Check $check): self
    {
        return new self(
            $this->instrument,
            [...$this->checks, $check],
            $this->interventions,
            $this->runs,
            $this->references,
            elsewhere: $this->elsewhere,
        );
    }

    /**
     * The same where a check may lean on any of these.
     *
     * @param array<int|string, Reference> $references by identifier
     */
    public function knowing(array $references): self
    {
        return new self(
            $this->instrument,
            $this->checks,
            $this->interventions,
            $this->runs,
            $references,
            elsewhere: $this->elsewhere,
        );
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
            $this->checks,
            $this->interventions,
            $this->runs,
            array_map(static fn (Reference $one): Reference => $one->taking($taken), $this->references),
            $this->channel,
            $this->whole?->taking($taken),
            $this->elsewhere,
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
