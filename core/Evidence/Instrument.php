<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;

/** A measuring unit of any family. */
final readonly class Instrument
{
    /**
     * @param string            $family       identifier of its family, such as "noise-dosimeter"
     * @param list<Certificate> $certificates
     * @param string|null       $microphone   diameter as written on adapters, such as "1/2 in"
     * @param bool              $selfAdjusting whether it adjusts itself when it hears the reference
     * @param Decimal|null      $rangeLow     lowest level it measures, dB
     * @param Decimal|null      $rangeHigh    highest level it measures without overload, dB
     */
    public function __construct(
        public string $id,
        public string $family,
        public string $model,
        public array $certificates = [],
        public ?string $microphone = null,
        public ?string $class = null,
        public bool $selfAdjusting = false,
        public ?Decimal $rangeLow = null,
        public ?Decimal $rangeHigh = null,
        public ?Decimal $resolution = null,
    ) {
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
