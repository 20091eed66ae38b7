<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;

/** What the log of a run shows beside its levels. */
final readonly class LogFindings
{
    /**
     * @param list<Doubt> $doubts   why its columns do not quite fit
     * @param Figure|null $gaps     share of the time without a level, %; null without a log
     * @param float       $seconds  what the sums rest on, s
     * @param Figure      $duration the same, h
     */
    public function __construct(
        public LogSurvey $survey,
        public array $doubts,
        public ?Figure $gaps,
        public float $seconds,
        public Figure $duration,
    ) {
    }

    /** The same where its gaps are counted otherwise. */
    public function withGaps(?Figure $gaps): self
    {
        return new self($this->survey, $this->doubts, $gaps, $this->seconds, $this->duration);
    }
}
