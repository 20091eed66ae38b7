<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/**
 * C-3: substances that act alike, set against their limits together. Lower ends are combined with lower ends, upper with
 * upper. A part that is void is not known, and neither is the sum: what the others come to is its lower bound.
 */
final readonly class AdditiveMixture
{
    /**
     * @param non-empty-list<array{ExposureLimit, Result}> $standing
     * @param list<array{ExposureLimit, Result}>           $void
     * @param list<string>                                 $unmeasured titles of limits of the mixture that nothing was measured for
     */
    private function __construct(
        private string $name,
        private array $standing,
        private array $void,
        private array $unmeasured,
    ) {
    }

    /**
     * The sums over the limits that the campaign gives one mixture.
     *
     * @param list<Result> $results each with the verdict that it stands as (inherited)
     *
     * @return list<Result>
     */
    public static function all(array $results, Yardsticks $yardsticks): array
    {
        $members = [];
        foreach ($yardsticks->limits as $limit) {
            if ($limit->mixture !== '' && !$limit->threshold->value->value->isZero()) {
                $of = array_values(array_filter($results, static fn (Result $result): bool => $result->key === $limit->quantity));
                $members['='.$limit->mixture][] = [$limit, $of[0] ?? null];
            }
        }
        $made = [];
        foreach ($members as $name => $pairs) {
            $standing = [];
            $void = [];
            $unmeasured = [];
            foreach ($pairs as [$limit, $result]) {
                if ($result === null) {
                    $unmeasured[] = $limit->title;
                } elseif ($result->footing->inherited === Verdict::Void) {
                    $void[] = [$limit, $result];
                } else {
                    $standing[] = [$limit, $result];
                }
            }
            if ($standing !== [] && \count($standing) + \count($void) > 1) {
                $made[] = (new self(substr($name, 1), $standing, $void, $unmeasured))->result();
            }
        }

        return $made;
    }

    private function result(): Result
    {
        $answers = Parts::together($this->sum(...));
        $inherited = Verdict::worst(
            $this->void === [] ? Verdict::Valid : Verdict::Qualified,
            ...array_map(static fn (array $member): Verdict => $member[1]->footing->inherited ?? Verdict::Valid, $this->standing),
        );
        $notes = [
            \sprintf('Made of %s.', self::titles($this->standing)),
            ...($this->void === [] ? [] : [
                \sprintf('Not known, since void: %s. The sum is at least that of the others.', self::titles($this->void)),
            ]),
            ...($this->unmeasured === [] ? [] : [\sprintf('Not measured, and not in it: %s.', implode(', ', $this->unmeasured))]),
        ];
        $plain = array_reduce($this->standing, static fn (bool $all, array $member): bool => $all && $member[1]->footing->plain, true);

        $result = Result::of(
            'mixture:'.$this->name,
            'Additive mixture, '.$this->name,
            $this->standing[0][1]->answers->reported,
            $answers,
            $notes,
        )
            ->inheriting($inherited)
            ->covering($this->leastCovered())
            ->doubting(...array_merge(...array_map(static fn (array $member): array => $member[1]->footing->causes, $this->standing)));
        $result = Parts::carried($result, array_column($this->standing, 1), $this->sum(...));

        return $plain ? $result : $result->notPlain();
    }

    /** The day of the part that was sampled least. */
    private function leastCovered(): ?Coverage
    {
        $least = null;
        foreach ($this->standing as [, $result]) {
            $one = $result->footing->coverage;
            $least = $one !== null && ($least === null || Real::compare($one->sampled(), $least->sampled()) < 0) ? $one : $least;
        }

        return $least;
    }

    /** @param list<array{ExposureLimit, Result}> $members */
    private static function titles(array $members): string
    {
        return implode(', ', array_map(static fn (array $member): string => $member[1]->title, $members));
    }

    /** @param callable(Result): ?Figure $of */
    private function sum(callable $of): ?Figure
    {
        $high = Exact::zero();
        $low = Exact::zero();
        $members = [];
        $interval = false;
        $open = $this->void !== [];
        foreach ($this->standing as [$limit, $result]) {
            $figure = $of($result);
            if (!$figure instanceof Figure) {
                return null;
            }
            $open = $open || $figure->known->bound === Bound::AtLeast;
            $high = Real::plus($high, Real::by($figure->value, $limit->threshold->value->value));
            $low = Real::plus($low, Real::by($figure->known->floor ?? $figure->value, $limit->threshold->value->value));
            $interval = $interval || $figure->known->floor !== null;
            $members[] = [$figure, $limit->figure('L', $figure->unit)];
        }
        $figure = Figure::derived(
            'S',
            'additive mixture '.$this->name,
            $open ? $low : $high,
            CommonUnit::None,
            SharedEquation::AdditiveMixture,
            Row::together(['c_i', 'L_i'], $members),
            2,
        );

        return match (true) {
            $open => $figure->bounded(Bound::AtLeast),
            $interval => $figure->downTo($low),
            default => $figure,
        };
    }
}
