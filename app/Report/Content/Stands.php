<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Verdict;

/**
 * How a run and each of its results stand: by what a person decided, as long as that saw what is said now and covered the result. All
 * else is a proposal.
 */
final readonly class Stands
{
    /**
     * @param array<string, mixed>      $body     the written assessment
     * @param array<string, mixed>|null $decision the last one
     * @param array<string, mixed>|null $before   what it saw, where that is not what is said now: verdict, results, findings
     * @param string                    $said     digest of what is said now
     * @param list<array<string, mixed>> $elsewhere what other logbooks decided of the run, as it came; it signs nothing here
     */
    public function __construct(
        public array $body,
        public ?array $decision,
        public ?array $before,
        public string $said,
        public array $elsewhere = [],
    ) {
    }

    /** Whether a person decided it, and nothing has changed since. */
    public function isDecided(): bool
    {
        return $this->decision !== null && $this->before === null;
    }

    /** @param array<string, mixed> $result */
    public function isSigned(array $result): bool
    {
        return $this->isDecided() && \in_array(Cells::text($result, 'key'), $this->covered(), true);
    }

    /**
     * What a result comes to: as decided, else as proposed.
     *
     * @param array<string, mixed> $result
     */
    public function verdict(array $result): Verdict
    {
        $own = Verdict::from(Cells::text($result, 'verdict'));
        if ($this->decision === null || !$this->isSigned($result)) {
            return $own;
        }
        $decided = Verdict::from(Cells::text($this->decision, 'verdict'));

        return match (Cells::text($this->decision, 'kind')) {
            'void' => Verdict::Void,
            'overrule' => $own->overruled(Verdict::from(Cells::text($this->decision, 'proposed')), $decided),
            default => $own,
        };
    }

    /**
     * The same with its sign; where a person lifted or lowered it, what was proposed stands beside.
     *
     * @param array<string, mixed> $result
     */
    public function told(array $result): Line
    {
        $verdict = $this->verdict($result);
        $line = Line::of()->verdict($verdict->value);
        $own = Cells::text($result, 'verdict');

        return $own === $verdict->value ? $line : $line->soft(\sprintf(', %s was proposed', $own));
    }

    /** Of the run as a whole: as decided, else as proposed. */
    public function whole(): Verdict
    {
        return Verdict::from(
            $this->decision !== null && $this->isDecided() ? Cells::text($this->decision, 'verdict') : Cells::text($this->body, 'verdict'),
        );
    }

    /** @return list<array<string, mixed>> results that a person signed and that stand */
    public function standing(): array
    {
        return array_values(array_filter(
            Cells::rows($this->body, 'results'),
            fn (array $result): bool => $this->isSigned($result) && $this->verdict($result) !== Verdict::Void,
        ));
    }

    /** @return list<array<string, mixed>> results that a person did not decide, or not as they stand now */
    public function undecided(): array
    {
        return array_values(array_filter(Cells::rows($this->body, 'results'), fn (array $result): bool => !$this->isSigned($result)));
    }

    /** Where it belongs in a report. */
    public function section(): Section
    {
        $hasNone = Cells::rows($this->body, 'results') === [];

        return match (true) {
            !$this->isDecided() => Section::NotSigned,
            $this->standing() !== [], $hasNone && $this->whole() !== Verdict::Void => Section::Standing,
            $this->undecided() === [] => Section::Void,
            default => Section::NotSigned,
        };
    }

    /** @return list<string> keys of results */
    private function covered(): array
    {
        return array_map(
            static fn (array $one): string => Cells::text($one, 'key'),
            Cells::rows($this->decision ?? [], 'covers'),
        );
    }
}
