<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\OwnIntervals;
use Footnote\Core\Evidence\Reference;

/** How long what a laboratory said counts: through the day its certificate is due, or its interval ends, whichever comes first. */
final readonly class CertifiedTerm
{
    /** The rule whose limits say how often a laboratory is to see a unit, by family. */
    public const RULE_OF_UNITS = 'unit.laboratory-due';
    /** The rule whose limits say how often it is to see a reference, by kind. */
    public const RULE_OF_REFERENCES = 'reference.laboratory-due';

    /** The rules for a certificate that is past its own date. */
    public const EXPIRED_UNIT = 'unit.certificate-expired';
    public const EXPIRED_REFERENCE = 'reference.expired';

    /**
     * @param RoutineStanding|null $routine null where nobody wants a laboratory again
     * @param \DateTimeImmutable   $until   the last moment at which both let it count
     */
    private function __construct(
        public Certificate $certificate,
        public ?RoutineStanding $routine,
        public \DateTimeImmutable $until,
    ) {
    }

    /**
     * @param list<Certificate>  $certificates
     * @param Limit|null         $limit        how often the policy wants a laboratory
     * @param \DateTimeImmutable $at           the moment that is asked for, in the zone of the site
     *
     * @return self|null null where no certificate was issued by that day
     */
    private static function of(array $certificates, ?Limit $limit, OwnIntervals $intervals, \DateTimeImmutable $at): ?self
    {
        $certificate = Certificate::latestBy($at, $certificates);
        if ($certificate === null) {
            return null;
        }
        $zone = $at->getTimezone();
        $own = $intervals->at(CommonRoutine::Laboratory, $at);
        $routine = RoutineStanding::of(CommonRoutine::Laboratory, $limit, $own, self::done($certificate, $zone), $zone);
        $due = $certificate->lastIn($zone);

        return new self($certificate, $routine, min($due, $routine?->until() ?? $due));
    }

    /** Of a reference, by the interval of its kind in a policy, or by its own. */
    public static function ofReference(Reference $reference, ?Policy $policy, \DateTimeImmutable $at): ?self
    {
        $limit = $policy?->limit(self::RULE_OF_REFERENCES, $reference->kind);

        return self::of($reference->certificates, $limit, $reference->upkeep->intervals, $at);
    }

    /** Of a unit, by the interval of its family in a policy, or by its own. */
    public static function ofUnit(Instrument $unit, ?Policy $policy, \DateTimeImmutable $at): ?self
    {
        return self::of($unit->certificates, $policy?->limit(self::RULE_OF_UNITS, $unit->family), $unit->upkeep->intervals, $at);
    }

    /** A certificate counts from its day of issue. */
    public static function done(Certificate $certificate, \DateTimeZone $zone): RoutineDone
    {
        $issued = new \DateTimeImmutable($certificate->issued->format('Y-m-d'), $zone);

        return new RoutineDone($issued, $certificate->number, 'certificate '.$certificate->number);
    }

    /** Whether the interval ends before the certificate is due. */
    public function endsByInterval(): bool
    {
        return $this->until->format('Y-m-d') < $this->certificate->due->format('Y-m-d');
    }
}
