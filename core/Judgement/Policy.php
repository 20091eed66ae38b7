<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** A school of judgement as data: limits and severities of every rule with their sources, and which answer is reported. */
final readonly class Policy
{
    /**
     * @param array<string, Answer>      $reported answer reported by kind of response ("offset", "flow", "linear", "counting")
     * @param array<string, string>      $choices  ways of working that a policy settles, such as what unsampled time is taken for
     * @param array<string, RuleSetting> $rules    by rule; a rule that is not here is switched off
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $version,
        public string $summary,
        public array $reported,
        public array $rules,
        public array $choices = [],
    ) {
    }

    public function rule(string $id): ?RuleSetting
    {
        return $this->rules[$id] ?? null;
    }

    public function limit(string $rule, string $name): ?Limit
    {
        return ($this->rules[$rule] ?? null)?->limits[$name] ?? null;
    }

    public function choice(PolicyChoice $choice): string
    {
        return $this->choices[$choice->value] ?? '';
    }

    public function reportedAnswer(string $response): Answer
    {
        return $this->reported[$response] ?? Answer::Indicated;
    }
}
