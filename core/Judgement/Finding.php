<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** One judgement with its evidence: which rule, what was seen, the limit and its source, and how much it weighs. */
final readonly class Finding
{
    /**
     * @param string       $seen     what was seen, in words and numbers
     * @param list<string> $evidence identifiers of checks, interventions, references or runs it rests on
     */
    public function __construct(
        public NamedRule $rule,
        public string $seen,
        public array $evidence,
        public Severity $severity,
        public ?Limit $limit = null,
        public Remedy $remedy = new Remedy(),
        public Touched $touched = new Touched(),
    ) {
    }

    /** What it says of some results says nothing of the others. */
    public function ofResults(string ...$keys): self
    {
        return $this->about($this->touched->channel, array_values($keys));
    }

    /** Whether it weighs on a result. What is made of several runs inherits their verdicts, and only what names it touches it beside. */
    public function touches(Result $result): bool
    {
        if ($this->touched->results !== []) {
            return \in_array($result->key, $this->touched->results, true);
        }

        return $result->footing->inherited === null && ($this->touched->channel === null || $this->touched->channel === $result->channel);
    }

    /** With the figures whose numbers stand in its words. */
    public function naming(?Figure ...$figures): self
    {
        $named = array_values(array_filter($figures, static fn (?Figure $figure): bool => $figure !== null));

        return $this->touching(new Touched($this->touched->channel, $this->touched->results, $named));
    }

    public function ofChannel(string $channel): self
    {
        return $this->about($channel, $this->touched->results);
    }

    /** @param list<string> $results */
    private function about(?string $channel, array $results): self
    {
        return $this->touching(new Touched($channel, $results, $this->touched->figures));
    }

    private function touching(Touched $touched): self
    {
        return new self($this->rule, $this->seen, $this->evidence, $this->severity, $this->limit, $this->remedy, $touched);
    }

    /** What this finding alone makes of a result; notes never count. */
    public function verdict(): Verdict
    {
        return match ($this->severity) {
            Severity::Note => Verdict::Valid,
            Severity::Corrected => Verdict::Corrected,
            Severity::Qualified => Verdict::Qualified,
            Severity::Void => $this->remedy->cure === null ? Verdict::Void : Verdict::Open,
        };
    }
}
