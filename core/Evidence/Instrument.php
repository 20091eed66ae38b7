<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A measuring unit of any family. */
final readonly class Instrument
{
    /** The trait that says so of a unit that is for trying and teaching alone. */
    public const PRACTICE = 'practice';

    /**
     * @param string            $family       identifier of its family, such as "noise-dosimeter"
     * @param list<Certificate> $certificates
     * @param Traits            $traits       what its family asks of a unit
     * @param string|null       $serial       its maker's serial number, where stated
     * @param Upkeep            $upkeep       what its site has said of it since
     */
    public function __construct(
        public string $id,
        public string $family,
        public string $model,
        public array $certificates = [],
        public Traits $traits = new Traits(),
        public ?string $serial = null,
        public Upkeep $upkeep = new Upkeep(),
    ) {
    }

    /** Whether it is for trying and teaching alone. */
    public function isPractice(): bool
    {
        return $this->traits->flag(self::PRACTICE);
    }

    /** The latest certificate that was issued by that moment. */
    public function certificateAt(\DateTimeImmutable $moment): ?Certificate
    {
        return Certificate::latestBy($moment, $this->certificates);
    }

    /** When its latest certificate by that moment was issued. */
    public function certifiedSince(\DateTimeImmutable $moment): ?\DateTimeImmutable
    {
        $latest = null;
        foreach ($this->certificates as $certificate) {
            if ($certificate->issued <= $moment && ($latest === null || $certificate->issued > $latest)) {
                $latest = $certificate->issued;
            }
        }

        return $latest;
    }
}
