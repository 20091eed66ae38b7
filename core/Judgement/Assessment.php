<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;

/** A run worked out and judged under one policy: a proposal, since a person decides. */
final readonly class Assessment
{
    public Run $run;

    /** @var list<Figure> */
    public array $drifts;

    /**
     * @param list<Result>  $results
     * @param list<Finding>          $findings the weightiest first
     * @param array<array-key, Bracket> $brackets by channel, where the unit has several
     */
    public function __construct(
        public Policy $policy,
        public Bracket $bracket,
        public FamilyResults $family,
        public array $results,
        public array $findings,
        public Verdict $verdict,
        public array $brackets = [],
    ) {
        $this->run = $bracket->run;
        $this->drifts = $family->worked()->drifts;
    }

    /** With the verdict that its results come to; what stands for all is then the bracket of the first channel that stands. */
    public function stood(): self
    {
        $bracket = $this->bracket;
        foreach ($this->brackets as $channel => $one) {
            if ($this->verdictOf((string) $channel) !== Verdict::Void) {
                $bracket = $one;
                break;
            }
        }
        $results = array_map($this->stating(...), $this->results);

        return new self($this->policy, $bracket, $this->family, $results, $this->findings, $this->standing(), $this->brackets);
    }

    /** What it may state of limits: nothing where it is void, nothing robust while it is open whether it is of this run at all. */
    private function stating(Result $result): Result
    {
        if ($this->verdictOn($result) === Verdict::Void) {
            return $result->unstated();
        }
        foreach ($this->findings as $finding) {
            if ($finding->rule->id === LogOwner::RULE && $finding->verdict() === Verdict::Open && $finding->touches($result)) {
                return $result->against(
                    array_map(
                        static fn (LimitOutcome $one): LimitOutcome => $one->undecided('whose log it is, is open'),
                        $result->outcomes,
                    ),
                );
            }
        }

        return $result;
    }

    /** What one result stands as: what weighs on it alone, with what it is made of. */
    public function verdictOn(Result $result): Verdict
    {
        $verdict = $result->footing->inherited ?? Verdict::Valid;
        foreach ($this->findings as $finding) {
            if ($finding->touches($result)) {
                $verdict = $verdict->worse($finding->verdict());
            }
        }

        return $verdict;
    }

    /**
     * The verdict of every channel or substance that has results.
     *
     * @return array<array-key, Verdict>
     */
    public function channels(): array
    {
        $verdicts = [];
        foreach (array_map(strval(...), array_keys($this->brackets)) as $channel) {
            $verdicts[$channel] = $this->verdictOf($channel);
        }
        foreach ($this->results as $result) {
            if ($result->channel !== null) {
                $verdicts[$result->channel] ??= $this->verdictOf($result->channel);
            }
        }

        return $verdicts;
    }

    /** What the run comes to: the worst of what stands. It is void only where nothing does; what is void leaves the rest as it is. */
    private function standing(): Verdict
    {
        $channels = $this->channels();
        if ($channels !== []) {
            return Verdict::standing(...array_values($channels)) ?? $this->weightOn(null);
        }
        // A substance of which there is no number yet has nothing but its findings.
        $unmeasured = array_filter($this->findings, static fn (Finding $finding): bool => $finding->touched->channel !== null);

        return Verdict::worst(
            Verdict::standing(...$this->verdictsOf(null)) ?? $this->weightOn(null),
            ...array_map(static fn (Finding $one): Verdict => $one->verdict(), array_values($unmeasured)),
        );
    }

    /** The worst of the results of a channel that stand; where it has none, what was found on it. */
    public function verdictOf(?string $channel): Verdict
    {
        return Verdict::standing(...$this->verdictsOf($channel)) ?? $this->weightOn($channel);
    }

    /** @return list<Verdict> of the results of this run alone */
    private function verdictsOf(?string $channel): array
    {
        return array_map(
            $this->verdictOn(...),
            array_values(
                array_filter(
                    $this->results,
                    static fn (Result $result): bool => $result->footing->inherited === null
                        && ($channel === null || $result->channel === $channel),
                ),
            ),
        );
    }

    private function weightOn(?string $channel): Verdict
    {
        $verdict = Verdict::Valid;
        foreach ($this->findings as $finding) {
            if ($channel === null || $finding->touched->channel === null || $finding->touched->channel === $channel) {
                $verdict = $verdict->worse($finding->verdict());
            }
        }

        return $verdict;
    }

    /** @return list<Result> those that stand; all of them where none does */
    public function headed(): array
    {
        $stand = array_values(array_filter($this->results, fn (Result $result): bool => $this->verdictOn($result) !== Verdict::Void));

        return $stand === [] ? $this->results : $stand;
    }

    /** The largest drift that a result rests on, with its sign. */
    public function driftOf(Result $result): ?Figure
    {
        return self::largest($this->family->driftsOf($result));
    }

    /** The largest drift of the bracket, with its sign. */
    public function largestDrift(): ?Figure
    {
        return self::largest($this->drifts);
    }

    /** @param list<Figure> $drifts */
    private static function largest(array $drifts): ?Figure
    {
        $largest = null;
        foreach ($drifts as $drift) {
            if ($largest === null || abs($drift->toFloat()) > abs($largest->toFloat())) {
                $largest = $drift;
            }
        }

        return $largest;
    }
}
