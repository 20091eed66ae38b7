<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;

/** A run worked out and judged under one policy: a proposal, since a person decides. */
final readonly class Assessment
{
    /**
     * @param list<Result>  $results
     * @param list<Figure>  $drifts
     * @param list<Finding>          $findings the weightiest first
     * @param array<string, Bracket> $brackets by channel, where the unit has several
     */
    public function __construct(
        public Run $run,
        public Policy $policy,
        public Bracket $bracket,
        public FamilyResults $family,
        public array $results,
        public array $drifts,
        public array $findings,
        public Verdict $verdict,
        public array $brackets = [],
    ) {
    }

    /**
     * With the verdict that it comes to where it has channels; what stands for all is then the bracket of the first channel
     * that stands.
     */
    public function stood(): self
    {
        $standing = $this->standing();
        if ($standing === null) {
            return $this;
        }
        $bracket = $this->bracket;
        foreach ($this->brackets as $channel => $one) {
            if ($this->verdictOf($channel) !== Verdict::Void) {
                $bracket = $one;
                break;
            }
        }

        return new self($this->run, $this->policy, $bracket, $this->family, $this->results, $this->drifts, $this->findings, $standing, $this->brackets);
    }

    /**
     * The verdict of every channel or substance that has results: findings on the unit touch all of them, findings on a
     * channel only that one.
     *
     * @return array<string, Verdict>
     */
    public function channels(): array
    {
        $verdicts = array_map(fn (string $channel): Verdict => $this->verdictOf($channel), array_combine(array_map(strval(...), array_keys($this->brackets)), array_map(strval(...), array_keys($this->brackets))));
        foreach ($this->results as $result) {
            if ($result->channel !== null) {
                $verdicts[$result->channel] ??= $this->verdictOf($result->channel);
            }
        }

        return $verdicts;
    }

    /**
     * What the run comes to where it has channels: the worst of those that stand. It is void only where none does; one that
     * is void leaves the others as they are.
     */
    public function standing(): ?Verdict
    {
        $channels = $this->channels();
        if ($channels === []) {
            return null;
        }
        $stand = array_filter($channels, static fn (Verdict $verdict): bool => $verdict !== Verdict::Void);

        return $stand === [] ? Verdict::Void : array_reduce($stand, static fn (Verdict $worst, Verdict $one): Verdict => $worst->worse($one), Verdict::Valid);
    }

    public function verdictOf(?string $channel): Verdict
    {
        $verdict = Verdict::Valid;
        foreach ($this->findings as $finding) {
            if ($finding->channel === null || $finding->channel === $channel) {
                $verdict = $verdict->worse($finding->verdict());
            }
        }

        return $verdict;
    }

    /** The largest drift of the bracket, with its sign. */
    public function largestDrift(): ?Figure
    {
        $largest = null;
        foreach ($this->drifts as $drift) {
            if ($largest === null || abs($drift->toFloat()) > abs($largest->toFloat())) {
                $largest = $drift;
            }
        }

        return $largest;
    }
}
