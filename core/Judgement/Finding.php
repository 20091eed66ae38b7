<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** One judgement with its evidence: which rule, what was seen, the limit and its source, and how much it weighs. */
final readonly class Finding
{
    /**
     * @param string       $seen     what was seen, in words and numbers
     * @param list<string> $evidence identifiers of checks, interventions, references or runs it rests on
     * @param Cure|null    $cure     what would cure it; null where nothing can any more
     * @param string|null  $advice   what a person may still do where no evidence cures it
     * @param string|null  $channel  the one channel it touches; null for the whole unit
     * @param list<string> $results  keys of the only results it touches; none: all of the channel or unit
     */
    public function __construct(
        public NamedRule $rule,
        public string $seen,
        public array $evidence,
        public Severity $severity,
        public ?Limit $limit = null,
        public ?Cure $cure = null,
        public ?string $advice = null,
        public ?string $channel = null,
        public array $results = [],
    ) {
    }

    /** What it says of some results says nothing of the others. */
    public function ofResults(string ...$keys): self
    {
        return $this->about($this->channel, array_values($keys));
    }

    /** Whether it weighs on a result. What is made of several runs inherits their verdicts, and only what names it touches it beside. */
    public function touches(Result $result): bool
    {
        if ($this->results !== []) {
            return \in_array($result->key, $this->results, true);
        }

        return $result->inherited === null && ($this->channel === null || $this->channel === $result->channel);
    }

    public function ofChannel(string $channel): self
    {
        return $this->about($channel, $this->results);
    }

    /** @param list<string> $results */
    private function about(?string $channel, array $results): self
    {
        return new self(
            $this->rule,
            $this->seen,
            $this->evidence,
            $this->severity,
            $this->limit,
            $this->cure,
            $this->advice,
            $channel,
            $results,
        );
    }

    /** What this finding alone makes of a result; notes never count. */
    public function verdict(): Verdict
    {
        return match ($this->severity) {
            Severity::Note => Verdict::Valid,
            Severity::Corrected => Verdict::Corrected,
            Severity::Qualified => Verdict::Qualified,
            Severity::Void => $this->cure === null ? Verdict::Void : Verdict::Open,
        };
    }
}
