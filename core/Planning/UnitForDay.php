<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** A unit that could go out on a day. */
final readonly class UnitForDay
{
    /**
     * @param list<string>                $references that it can be checked on before and after, the one that is taken first
     * @param array<string, list<string>> $against    by = and the measurement, what keeps it from that one; none: nothing does
     * @param list<string>                $notes      what its check must set right before it goes out
     * @param array<string, \DateTimeImmutable> $counts by = and the reference, the last moment at which it is in date; without those that
     *                                                  nothing ends of
     */
    public function __construct(
        public string $id,
        public string $family,
        public Readiness $readiness,
        public array $references,
        public array $against = [],
        public array $notes = [],
        public array $counts = [],
    ) {
    }

    /** @return list<string> why it cannot measure that; none: it can */
    public function whyNot(Wanted $wanted): array
    {
        $why = $this->against['='.$wanted->id] ?? [];
        if ($why === [] && $this->references === []) {
            $why[] = 'No reference that it can be checked on.';
        }
        $battery = $this->readiness->battery;
        $least = (int) ceil($wanted->span->seconds() / 60) + $this->readiness->whole();
        if ($battery !== null && $battery < $least) {
            $why[] = \sprintf('Its battery lasts %d min; it would be on for at least %d min.', $battery, $least);
        }

        return $why;
    }
}
