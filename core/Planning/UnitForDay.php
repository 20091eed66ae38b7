<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** A unit that could go out on a day. */
final readonly class UnitForDay
{
    /**
     * @param list<string>                $references that it can be checked on before and after, the one that is taken first
     * @param array<string, list<string>> $against    by = and the measurement, what keeps it from that one; none: nothing does
     * @param list<string>                $notes      what its check must set right before it goes out, and who else wants it
     */
    public function __construct(
        public string $id,
        public string $family,
        public Readiness $readiness,
        public array $references,
        public array $against = [],
        public array $notes = [],
        public Ties $ties = new Ties(),
    ) {
    }

    /** The same where another plan has it at the same time. */
    public function wantedBy(string $plan): self
    {
        $notes = [...$this->notes, \sprintf('%s has it at the same time.', $plan)];
        $ties = new Ties($this->ties->counts, [...$this->ties->plans, $plan]);

        return new self($this->id, $this->family, $this->readiness, $this->references, $this->against, $notes, $ties);
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
