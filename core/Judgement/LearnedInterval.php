<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Quantity\Span;
use Footnote\Core\Statistics\Crossing;
use Footnote\Core\Statistics\SteadyRate;

/**
 * What a unit's own checks say of how long it may go: how often it was found too far off, in how long. Each stretch between two checks
 * counts that the unit began within the limit; one that began too far off tells nothing of how it goes out.
 *
 * Common practice of calibration laboratories: an interval is set so that about 95 in 100 are still within the limit at its end. The
 * rate is taken as steady, which nobody has shown of one unit. Advice: no interval changes by it, and no verdict rests on it.
 */
final readonly class LearnedInterval
{
    /** Fewer checks teach nothing. */
    public const LEAST = 5;
    /** Chance to be out at the end of an interval that laboratories commonly allow (common practice). */
    private const ALLOWED = 0.05;
    /** Where the chance may lie anywhere but for so little at either end, nothing is known of it (own). */
    private const NOTHING = 0.02;
    /** A stretch counts one time out at most, however soon: at more than this share of them a count over time says too little (own). */
    private const OFTEN = 1 / 3;
    private const DAY = 86400.0;

    /**
     * @param int                     $checks counted: each could have found it out
     * @param int                     $out    that did
     * @param float                   $days   in service between them
     * @param \DateTimeImmutable|null $since  when it was last left within the limit, as far as is known; null where it was left out of it
     * @param Crossing|null           $creeps a line along which it goes out: then no rate is steady
     */
    private function __construct(
        private Limit $limit,
        private int $checks,
        private int $out,
        private float $days,
        private ?\DateTimeImmutable $since,
        private ?Crossing $creeps,
    ) {
    }

    /**
     * @param TrendWatch $watch how it went on since it was last changed
     * @param Limit      $limit how far off it may be found, in the unit of its history
     */
    public static function of(TrendWatch $watch, Limit $limit): self
    {
        $checks = $out = 0;
        $seconds = 0.0;
        $within = null;
        foreach ($watch->since as $point) {
            if ($point->found !== null && $within !== null) {
                $seconds += Span::secondsBetween($within, $point->at);
                ++$checks;
                $out += $limit->isKeptBySize($point->found) ? 0 : 1;
            }
            if ($point->left !== null) {
                $within = $limit->isKeptBySize($point->left) ? $point->at : null;
            }
        }

        return new self($limit, $checks, $out, $seconds / self::DAY, $within, $watch->creeps);
    }

    /**
     * What is to be said, of the days at which something of the unit falls due.
     *
     * @param list<array{string, \DateTimeImmutable}> $due what falls due, and when, in the zone of the site
     *
     * @return list<string>
     */
    public function words(array $due, \DateTimeImmutable $now): array
    {
        if ($this->checks < self::LEAST || $this->days <= 0.0) {
            return [\sprintf(
                'What interval it needs is learned from %d checks on that follow one which left it within %s; so far there %s.',
                self::LEAST,
                $this->limit->amount(),
                $this->checks === 1 ? 'is 1' : 'are '.$this->checks,
            )];
        }
        $rate = SteadyRate::of($this->out, $this->days);

        return [
            \sprintf(
                'Found off by more than %s at %d of %d checks, in %s days in service.',
                $this->limit->amount(),
                $this->out,
                $this->checks,
                self::days($this->days),
            ),
            ...($this->out > self::OFTEN * $this->checks
                ? ['It may have gone out soon after it was left, each time: it goes out at least so often, and the chance may be larger '
                    .'than is told here.']
                : []),
            ...($this->since === null
                ? ['It was left too far off at its last check: it is out already.']
                : array_map(fn (array $one): string => $this->chance($rate, $this->since, $one[0], $one[1], $now), $due)),
        ];
    }

    private function chance(
        SteadyRate $rate,
        \DateTimeImmutable $since,
        string $what,
        \DateTimeImmutable $at,
        \DateTimeImmutable $now,
    ): string {
        $days = Span::secondsBetween($since, $at) / self::DAY;
        [$chance, $low, $high] = $rate->chanceWithin($days);
        $day = $at->setTimezone($now->getTimezone())->format('j M Y');
        if ($low < self::NOTHING && $high > 1 - self::NOTHING) {
            return \sprintf(
                'Of how it will be by %s, when its %s falls due, these checks say nothing: that is too far ahead.',
                $day,
                $what,
            );
        }

        return \sprintf(
            'Unless it is checked before, the chance that it is out by %s, when its %s falls due, is %s. %s',
            $day,
            $what,
            // That it was never found out does not make it certain.
            $this->out === 0
                ? \sprintf('at most %s (95 %% confidence)', self::upTo($high))
                : \sprintf('%s (95 %% confidence: %s to %s)', self::share($chance), self::downTo($low), self::upTo($high)),
            $this->advice($rate, $low, $high, Span::secondsBetween($now, $at) / self::DAY),
        );
    }

    /** @param float $ahead days from now until it falls due */
    private function advice(SteadyRate $rate, float $low, float $high, float $ahead): string
    {
        $allowed = \sprintf('%.0f %% that laboratories commonly allow', 100 * self::ALLOWED);

        return match (true) {
            $this->creeps !== null && $this->creeps->from <= $ahead => 'But it creeps, and by its own line it may be out before then: '
                .'a shorter interval is advised.',
            $low > self::ALLOWED => \sprintf(
                'That is more than the %s: a shorter interval is advised, by these checks about %s days.',
                $allowed,
                self::days(SteadyRate::within(self::ALLOWED, $rate->rate)),
            ),
            $high < self::ALLOWED && $this->creeps !== null => 'But it creeps, which no rate tells: no longer interval is advised.',
            $high < self::ALLOWED => \sprintf(
                'That is less than the %s: by these checks alone up to %s days would keep to it. The manual stands above that.',
                $allowed,
                self::days(SteadyRate::within(self::ALLOWED, $rate->high)),
            ),
            default => \sprintf('It may be more or less than the %s: these checks speak for no other interval.', $allowed),
        };
    }

    private static function days(float $days): string
    {
        // A longer interval is never advised by rounding up.
        return $days < 10 ? \sprintf('%.1f', floor(10 * $days) / 10) : (string) floor($days);
    }

    private static function share(float $chance): string
    {
        return \sprintf($chance < 0.1 ? '%.1f %%' : '%.0f %%', 100 * $chance);
    }

    /** A lower limit is never told larger than it is, an upper one never smaller. */
    private static function downTo(float $chance): string
    {
        return $chance < 0.1 ? \sprintf('%.1f %%', floor(1000 * $chance) / 10) : \sprintf('%.0f %%', floor(100 * $chance));
    }

    private static function upTo(float $chance): string
    {
        return $chance < 0.1 ? \sprintf('%.1f %%', ceil(1000 * $chance) / 10) : \sprintf('%.0f %%', ceil(100 * $chance));
    }
}
