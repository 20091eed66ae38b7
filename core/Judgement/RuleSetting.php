<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\SourceMark;

/** What a policy says of one rule: its limits, how much a breach weighs, and where that comes from. */
final readonly class RuleSetting
{
    /** @param array<string, Limit> $limits by name */
    public function __construct(
        public string $rule,
        public string $title,
        public Severity $severity,
        public array $limits,
        public string $source,
        public SourceMark $mark,
    ) {
    }

    public function limit(string $name): Limit
    {
        return $this->limits[$name] ?? throw new MissingLimit(
            \sprintf('The policy gives no limit "%s" for the rule "%s".', $name, $this->rule),
        );
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
        return new Finding($this, $seen, $evidence, $severity ?? $this->severity, $limit, $cure, $advice, $channel);
    }
}
