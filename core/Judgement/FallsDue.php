<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;

/**
 * What of a unit or a reference counts up to a moment, and is wanted anew then: by the same rules and limits that a run begun later is
 * judged by, so that no list of dates says otherwise than the verdict.
 */
final readonly class FallsDue
{
    /**
     * @param string                  $what     is done again and again
     * @param list<string>            $channels of the unit; none: all of it
     * @param \DateTimeImmutable|null $until    the last moment at which it counts; null: it was never done, as far as is known
     * @param string                  $evidence check or number of the certificate that counts until then; empty where there is none
     * @param DueInterval|null        $every    how often it is wanted; null where only a certificate says until when
     * @param Severity|null           $weighs   on what is measured later, by the policy; null: not at all, or nobody says
     */
    private function __construct(
        public string $what,
        public array $channels,
        public ?\DateTimeImmutable $until,
        public string $evidence,
        public ?DueInterval $every,
        public ?Severity $weighs,
    ) {
    }

    /**
     * @param list<RoutineOfUnit> $routines that are wanted of it
     * @param \DateTimeImmutable  $at       the moment that is asked for, in the zone of the site
     *
     * @return list<self> the first first; what was never done before all
     */
    public static function ofUnit(Instrument $unit, array $routines, Policy $policy, \DateTimeImmutable $at): array
    {
        $term = CertifiedTerm::ofUnit($unit, $policy, $at);
        $due = $term === null ? [] : [self::certified($term, $policy, CertifiedTerm::EXPIRED_UNIT, CertifiedTerm::RULE_OF_UNITS)];
        foreach (self::alike($routines) as $some) {
            $standing = $some[0]->standing;
            if ($term !== null && $standing->routine === CommonRoutine::Laboratory) {
                // Its certificate says so already, and may end sooner.
                continue;
            }
            $rule = $some[0]->rule;
            $due[] = new self(
                $standing->routine->id(),
                array_values(array_filter(
                    array_map(static fn (RoutineOfUnit $one): string => $one->channel, $some),
                    static fn (string $channel): bool => $channel !== '',
                )),
                $standing->until(),
                $standing->done->evidence ?? '',
                DueInterval::of($standing, $rule),
                $standing->done === null ? null : $policy->rule($rule->id)?->severity,
            );
        }
        usort($due, static fn (self $one, self $other): int => $one->until <=> $other->until);

        return $due;
    }

    /** @return self|null null where no certificate says until when */
    public static function ofReference(Reference $reference, Policy $policy, \DateTimeImmutable $at): ?self
    {
        $term = CertifiedTerm::ofReference($reference, $policy, $at);

        return $term === null
            ? null
            : self::certified($term, $policy, CertifiedTerm::EXPIRED_REFERENCE, CertifiedTerm::RULE_OF_REFERENCES);
    }

    /** Whether a laboratory does it; else it is done at the bench. */
    public function isForLaboratory(): bool
    {
        return $this->what === CommonRoutine::Laboratory->id();
    }

    /**
     * @param string $expired the rule for a certificate that is past its date
     * @param string $due     the rule for an interval that is over
     */
    private static function certified(CertifiedTerm $term, Policy $policy, string $expired, string $due): self
    {
        $byInterval = $term->endsByInterval();
        $rule = $policy->rule($byInterval ? $due : $expired);

        return new self(
            CommonRoutine::Laboratory->id(),
            [],
            $term->until,
            $term->certificate->number,
            $byInterval && $term->routine !== null ? DueInterval::of($term->routine, $rule?->rule) : null,
            $rule?->severity,
        );
    }

    /**
     * Channels of which the same is wanted by the same evidence are one line.
     *
     * @param list<RoutineOfUnit> $routines
     *
     * @return list<non-empty-list<RoutineOfUnit>>
     */
    private static function alike(array $routines): array
    {
        $alike = [];
        foreach ($routines as $one) {
            $done = $one->standing->done;
            $counts = $done === null ? 'never' : $done->at->format('U').' '.$done->evidence;
            $alike[$one->rule->id.' '.$one->standing->interval->words().' '.$counts][] = $one;
        }

        return array_values($alike);
    }
}
