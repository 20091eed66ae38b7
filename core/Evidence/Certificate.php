<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Unit;

/** A laboratory certificate of an instrument or a reference. Certificates are added, never overwritten. */
final readonly class Certificate
{
    /**
     * @param list<CertifiedValue> $values    a table by nominal value
     * @param Traits                     $constants  what it states beside the table, such as slope and intercept
     * @param KitCorrection|null         $correction where it stands in the place of one that was typed in wrongly
     */
    public function __construct(
        public string $number,
        public string $laboratory,
        public \DateTimeImmutable $issued,
        public \DateTimeImmutable $due,
        public array $values,
        public Traits $constants = new Traits(),
        public ?KitCorrection $correction = null,
    ) {
    }

    /**
     * The latest of several that was issued by the day of a moment.
     *
     * @param list<self> $certificates
     */
    public static function latestBy(\DateTimeImmutable $moment, array $certificates): ?self
    {
        $latest = null;
        foreach ($certificates as $certificate) {
            if ($certificate->isIssuedBy($moment) && ($latest === null || $certificate->issued >= $latest->issued)) {
                $latest = $certificate;
            }
        }

        return $latest;
    }

    /** A number that it states. */
    public function figure(string $symbol, string $meaning, Decimal $stated, Unit $unit): Figure
    {
        $origin = new Origin('certificate', $this->number, $this->laboratory.', issued '.$this->issued->format('j M Y'));

        return Figure::read($symbol, $meaning, $stated->value, $unit, $origin, $stated->decimals());
    }

    /** Whether it is in date on the day of that moment, in the zone the moment is told in; the day it falls due still counts. */
    public function inForceAt(\DateTimeImmutable $moment): bool
    {
        return $this->isIssuedBy($moment) && $moment->format('Y-m-d') <= $this->due->format('Y-m-d');
    }

    /** The last moment of the day it falls due, in a zone. */
    public function lastIn(\DateTimeZone $zone): \DateTimeImmutable
    {
        return new \DateTimeImmutable($this->due->format('Y-m-d').' 23:59:59', $zone);
    }

    public function isIssuedBy(\DateTimeImmutable $moment): bool
    {
        return $this->issued->format('Y-m-d') <= $moment->format('Y-m-d');
    }

    /**
     * The lines of its table for a nominal value, in their order.
     *
     * @return list<CertifiedValue>
     */
    public function linesAt(Decimal $nominal): array
    {
        return array_values(array_filter(
            $this->values,
            static fn (CertifiedValue $value): bool => $value->nominal->value->compareTo($nominal->value) === 0,
        ));
    }
}
