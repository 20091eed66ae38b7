<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\CertifiedValue;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\MalformedDecimal;

/** One tone of a calibrator: the level it was switched to, dB, its frequency where there are several, and what the unit showed. */
final readonly class AcousticTone
{
    /**
     * @param Decimal|null  $frequency in Hz; null: the calibrator has one frequency at that level
     * @param list<Reading> $asFound   before anything was adjusted
     * @param list<Reading> $asLeft    after the adjustment
     */
    public function __construct(public Decimal $nominal, public ?Decimal $frequency, public array $asFound = [], public array $asLeft = [])
    {
    }

    /**
     * From its name, such as "114" or "114 @ 250".
     *
     * @throws MalformedDecimal
     */
    public static function named(string $name): self
    {
        $parts = array_map(trim(...), explode('@', $name, 2));

        return new self(Decimal::parse($parts[0]), isset($parts[1]) ? Decimal::parse($parts[1]) : null);
    }

    /** The name of a certified tone; the frequency is part of it where the certificate has several at that level. */
    public static function nameOf(CertifiedValue $value, Certificate $certificate): string
    {
        $frequency = self::frequencyOf($value);

        return $value->nominal->written
            .(\count($certificate->linesAt($value->nominal)) > 1 && $frequency !== null ? ' @ '.$frequency->written : '');
    }

    /** The frequency that a certificate names with a level, Hz. */
    public static function frequencyOf(CertifiedValue $value): ?Decimal
    {
        return $value->beside->decimal(AcousticKit::FREQUENCY);
    }

    /**
     * The tones of a calibrator beside the one that was chosen with it, in words, by their names.
     *
     * @return array<array-key, string>
     */
    public static function beside(?Reference $reference, string $chosen): array
    {
        $tones = [];
        $certificates = $reference->certificates ?? [];
        usort($certificates, static fn (Certificate $a, Certificate $b): int => $b->issued <=> $a->issued);
        foreach (\array_slice($certificates, 0, 1) as $certificate) {
            foreach ($certificate->values as $value) {
                if (self::nameOf($value, $certificate) === $chosen) {
                    continue;
                }
                $hertz = self::frequencyOf($value)?->written;
                $tones[self::nameOf($value, $certificate)] = trim(
                    \sprintf('%s dB %s', $value->nominal->written, $hertz === null ? '' : $hertz.' Hz'),
                );
            }
        }

        return $tones;
    }

    public function name(): string
    {
        return $this->nominal->written.($this->frequency === null ? '' : ' @ '.$this->frequency->written);
    }

    public function words(): string
    {
        return $this->nominal->written.' dB'.($this->frequency === null ? '' : ', '.$this->frequency->written.' Hz');
    }

    public function isLike(self $other): bool
    {
        return $this->nominal->value->compareTo($other->nominal->value) === 0
            && ($this->frequency === null) === ($other->frequency === null)
            && ($this->frequency === null
                || $other->frequency === null
                || $this->frequency->value->compareTo($other->frequency->value) === 0);
    }

    /** The line of a certificate that it stands on; one that names no frequency is of any. */
    public function certifiedBy(?Certificate $certificate): ?CertifiedValue
    {
        foreach ($certificate?->linesAt($this->nominal) ?? [] as $value) {
            $frequency = self::frequencyOf($value);
            if ($this->frequency === null || $frequency === null || $frequency->value->compareTo($this->frequency->value) === 0) {
                return $value;
            }
        }

        return null;
    }
}
