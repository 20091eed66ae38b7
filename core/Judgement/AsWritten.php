<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a run came to by its checks as they were first written, and which of them others stand in the place of. */
final readonly class AsWritten
{
    /** @param non-empty-list<Corrected> $corrected */
    public function __construct(public Assessment $first, public array $corrected)
    {
    }

    /** FC-A1: the number without the correction stands beside. */
    public function beside(Result $result): Result
    {
        $otherwise = $this->before($result)?->reportedFigure();

        return $result->altered(...array_map(
            static fn (Corrected $one): Altered => new Altered(
                new Alteration(AlterationKind::Corrected, lcfirst($one->what()), $one->because(), $one->why->by),
                $otherwise,
            ),
            $this->corrected,
        ));
    }

    /**
     * Whether it is the correction that lets a result stand better, or makes a statement about a limit another. What is void states
     * nothing.
     */
    public function decidesOn(Assessment $now): bool
    {
        if ($now->verdict->weight() < $this->first->verdict->weight()) {
            return true;
        }
        foreach ($now->results as $result) {
            $before = $this->before($result);
            if ($before !== null
                && $now->verdictOn($result) !== Verdict::Void
                && ($now->verdictOn($result)->weight() < $this->first->verdictOn($before)->weight()
                    || self::statements($result) !== self::statements($before))) {
                return true;
            }
        }

        return false;
    }

    /** The same quantity as first written. */
    private function before(Result $result): ?Result
    {
        foreach ($this->first->results as $before) {
            if ($before->key === $result->key) {
                return $before;
            }
        }

        return null;
    }

    public function isWitnessed(): bool
    {
        foreach ($this->corrected as $one) {
            if (!$one->why->how->isWitnessed()) {
                return false;
            }
        }

        return true;
    }

    /** @return list<array{string, bool|null, Robustness}> */
    private static function statements(Result $result): array
    {
        return array_map(
            static fn (LimitOutcome $one): array => [$one->limit->id, $one->crossed, $one->robustness],
            $result->outcomes,
        );
    }
}
