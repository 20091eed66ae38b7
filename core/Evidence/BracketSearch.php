<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What was met on the way to the ends of a bracket. */
final readonly class BracketSearch
{
    /**
     * @param list<PassedOver> $passedOver checks that were looked at and showed nothing
     * @param list<string>     $recalled   references its checks lean on that were recalled, how far off is not known
     * @param list<string>     $atOwnTime  ends of it that were made while a run of the unit went on: they say what held then
     */
    public function __construct(
        public array $passedOver,
        public ?BracketBreak $brokenBefore,
        public ?BracketBreak $brokenAfter,
        public array $recalled = [],
        public array $atOwnTime = [],
    ) {
    }

    /** The same where the way after the run ended at a check before. */
    public function endedAt(Check $check): self
    {
        return new self($this->passedOver, $this->brokenBefore, null, $this->recalled, [...$this->atOwnTime, $check->id]);
    }
}
