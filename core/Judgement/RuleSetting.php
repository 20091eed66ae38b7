<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a policy says of one rule: its limits, how much a breach weighs, and where that comes from. */
final readonly class RuleSetting
{
    /** @param array<string, Limit> $limits by name */
    public function __construct(
        public NamedRule $rule,
        public Severity $severity,
        public array $limits,
    ) {
    }

    public function limit(string $name): Limit
    {
        return $this->limits[$name] ?? throw new MissingLimit(
            \sprintf('The policy gives no limit "%s" for the rule "%s".', $name, $this->rule->id),
        );
    }

    /** The same where what is allowed is not the policy's. */
    public function from(Source $source): self
    {
        $rule = new NamedRule($this->rule->id, $this->rule->title, $source->words, $source->mark);

        return new self($rule, $this->severity, $this->limits);
    }

    /** @param list<string> $evidence */
    public function finding(
        string $seen,
        array $evidence,
        ?Limit $limit = null,
        ?Cure $cure = null,
        ?string $advice = null,
        ?Severity $severity = null,
        ?string $channel = null,
    ): Finding {
        $remedy = new Remedy($cure, $advice);

        return new Finding($this->rule, $seen, $evidence, $severity ?? $this->severity, $limit, $remedy, new Touched($channel));
    }
}
