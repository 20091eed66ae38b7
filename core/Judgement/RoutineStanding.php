<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\Interval;
use Footnote\Core\Evidence\IntervalUnit;
use Footnote\Core\Evidence\OwnInterval;
use Footnote\Core\Evidence\Routine;

/** How one thing that is done again and again stands: how often it is wanted and by whom, and when it was last done. */
final readonly class RoutineStanding
{
    /**
     * @param Interval         $interval that holds
     * @param OwnInterval|null $own      where a site has set it; null: it is the policy's
     * @param Limit|null       $limit    of the policy; null: the policy wants nothing of the kind
     * @param RoutineDone|null $done     null: never, as far as is known
     */
    private function __construct(
        public Routine $routine,
        public Interval $interval,
        public ?OwnInterval $own,
        private ?Limit $limit,
        public ?RoutineDone $done,
        private \DateTimeZone $zone,
    ) {
    }

    /**
     * @param OwnInterval|null $own  that the site has set; null: none
     * @param \DateTimeZone    $zone of the site
     *
     * @return self|null null where nobody wants it
     */
    public static function of(Routine $routine, ?Limit $limit, ?OwnInterval $own, ?RoutineDone $done, \DateTimeZone $zone): ?self
    {
        $interval = $own->interval ?? self::interval($limit);

        return $interval === null ? null : new self($routine, $interval, $own, $limit, $done, $zone);
    }

    /** The last moment at which it counts; null where it was never done. */
    public function until(): ?\DateTimeImmutable
    {
        return $this->done === null ? null : $this->interval->lastOf($this->done->at, $this->zone);
    }

    public function isOverAt(\DateTimeImmutable $moment): bool
    {
        $until = $this->until();

        return $until !== null && $moment > $until;
    }

    /** Until when the policy alone would let it count, where the interval of its own is what it counts by. */
    public function untilByPolicy(): ?\DateTimeImmutable
    {
        $interval = self::interval($this->limit);

        return $this->own === null || $interval === null || $this->done === null ? null : $interval->lastOf($this->done->at, $this->zone);
    }

    /** What its own interval, or the policy, allows. */
    public function limit(): Limit
    {
        return new Limit($this->limit->name ?? 'every', $this->interval->length, $this->interval->unit->value);
    }

    /** Where the interval is from. */
    public function source(NamedRule $rule): Source
    {
        return $this->ownSource() ?? new Source($rule->source, $rule->mark);
    }

    /** Where the interval is from that the site has set for this one alone; null where it has set none. */
    public function ownSource(): ?Source
    {
        return $this->own === null ? null : new Source(
            \sprintf(
                'Its own interval since %s, set by %s: %s',
                $this->own->since->format('j M Y'),
                $this->own->by,
                rtrim($this->own->source, '.').'.',
            ),
            SourceMark::Own,
        );
    }

    /** How it was last done, in words that stay true while time goes by. */
    public function expiry(): ?Expiry
    {
        $until = $this->until();
        $what = \sprintf('Its last %s%s counted', $this->routine->id(), $this->which());

        return $until === null ? null : new Expiry($until, $what);
    }

    public function which(): string
    {
        return $this->done === null || $this->done->words === '' ? '' : ' ('.$this->done->words.')';
    }

    private static function interval(?Limit $limit): ?Interval
    {
        $unit = IntervalUnit::tryFrom($limit->unit ?? '');

        return $limit === null || $unit === null ? null : Interval::of($limit->value, $unit);
    }
}
