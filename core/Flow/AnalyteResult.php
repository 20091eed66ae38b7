<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** What a laboratory found of one substance on one medium, with the blanks of the same report. */
final readonly class AnalyteResult
{
    /** The mean of the blanks, µg; null where nothing is to be subtracted. */
    public ?Figure $subtracted;

    /**
     * C-1 above the line: m = (front + back − blank)/DE in µg, as an interval where something is only "less than". Below
     * quantitation it is less than the limit of quantitation, unless the laboratory gives a limit of detection and the
     * mass lies above it: then it is a number, an estimate.
     *
     * A blank that is itself only "less than" is not subtracted; its number may not make the sample smaller.
     */
    public Figure $mass;

    /**
     * @param string          $analyte    code of the substance
     * @param Traits|null     $substance  its entry in the library, for name and molar mass
     * @param string          $report     number of the report
     * @param Mass|null       $back       of the back section; null where there is none
     * @param Mass|null       $quantitation limit of quantitation
     * @param Mass|null       $detection  limit of detection
     * @param Decimal|null    $desorption efficiency, 0 to 1
     * @param list<BlankMass> $blanks     the ones that count: field blanks where there are any, else media blanks
     * @param int             $fieldBlanks how many field blanks the report has for the substance
     * @param list<string>    $superseded reports whose row this one takes the place of
     */
    public function __construct(
        public string $analyte,
        public ?Traits $substance,
        public string $report,
        public string $laboratory,
        public Mass $front,
        public ?Mass $back,
        public ?Mass $quantitation,
        public ?Mass $detection,
        public ?Decimal $desorption,
        public Corrected $blankCorrected,
        public Corrected $desorptionCorrected,
        public array $blanks,
        public int $fieldBlanks,
        public array $superseded,
    ) {
        $this->subtracted = $this->meanBlank();
        $this->mass = $this->massOnMedium();
    }

    public function name(): string
    {
        return $this->substance?->text('name') ?? $this->analyte;
    }

    /** g/mol; null for dusts and metals, whose concentration is not told in ppm. */
    public function molarMass(): ?Decimal
    {
        return $this->substance?->decimal('molarMass');
    }

    private function massOnMedium(): Figure
    {
        $origin = new Origin('laboratory', $this->report, \sprintf('%s, report %s', $this->laboratory, $this->report));
        $read = static function (string $symbol, string $meaning, Mass $mass) use ($origin): Figure {
            $figure = Figure::read($symbol, $meaning, $mass->value->value, $mass->unit, $origin, $mass->value->decimals());

            return $mass->lessThan ? $figure->downTo(Exact::zero()) : $figure;
        };
        $inputs = [$read('m_front', 'front section of '.$this->name(), $this->front)];
        $high = $this->front->micrograms();
        $low = $this->front->floor();
        if ($this->back !== null) {
            $inputs[] = $read('m_back', 'back section', $this->back);
            // A back section in which nothing was found adds nothing to a front in which something was.
            $high = $this->back->lessThan && !$this->front->lessThan ? $high : $high->plus($this->back->micrograms());
            $low = $low->plus($this->back->floor());
        }
        $blank = $this->subtracted;
        if ($blank !== null) {
            $inputs[] = $blank;
            \assert($blank->value instanceof Exact);
            if (!$this->isLessThan()) {
                $high = $high->minus($blank->value);
                $low = $low->minus($blank->value);
            }
        }
        $lessThan = $this->isLessThan();
        if (!$lessThan && $this->limit() !== null && $high->compareTo($this->limit()->micrograms()) < 0) {
            $lessThan = true;
            $high = $this->limit()->micrograms();
            $inputs[] = $read('LOQ', 'limit below which nothing is stated', $this->limit());
        }
        $efficiency = $this->desorptionCorrected === Corrected::No ? $this->desorption : null;
        if ($efficiency !== null && !$efficiency->value->isZero()) {
            $inputs[] = Figure::read('DE', 'desorption efficiency', $efficiency->value, Unit::None, $origin, $efficiency->decimals());
            $high = $high->dividedBy($efficiency->value);
            $low = $low->dividedBy($efficiency->value);
        }
        $figure = Figure::derived('m', 'mass of '.$this->name(), $high, Unit::Microgram, FlowEquation::Concentration, $inputs, Digits::significant($high, 3));

        return match (true) {
            $lessThan => $figure->downTo(Exact::zero()),
            $low->compareTo($high) !== 0 => $figure->downTo($low),
            default => $figure,
        };
    }

    private function meanBlank(): ?Figure
    {
        if ($this->blankCorrected !== Corrected::No || $this->blanks === []) {
            return null;
        }
        $figures = [];
        $values = [];
        foreach ($this->blanks as $blank) {
            $figures[] = Figure::read('m_b', \sprintf('%s blank %s%s', $blank->kind, $blank->medium, $blank->mass->lessThan ? ', less than, counted as nothing' : ''), $blank->mass->lessThan ? Exact::zero() : $blank->mass->micrograms(), Unit::Microgram, new Origin('laboratory', $this->report, 'blank '.$blank->medium), 2);
            $values[] = $blank->mass->floor();
        }
        $mean = Exact::mean($values);

        return Figure::derived('m_blank', \sprintf('mean of %d %s blank%s', \count($values), $this->blanks[0]->kind, \count($values) === 1 ? '' : 's'), $mean, Unit::Microgram, SharedEquation::Replicates, $figures, Digits::significant($mean, 3));
    }

    /** Whether nothing was found in either section. */
    public function isLessThan(): bool
    {
        return $this->front->lessThan && ($this->back === null || $this->back->lessThan);
    }

    /** Between detection and quantitation: a number, but an estimate. */
    public function isEstimated(): bool
    {
        return !$this->mass->isLessThan() && $this->quantitation !== null && $this->raw()->compareTo($this->quantitation->micrograms()) < 0;
    }

    /** Back over front in percent, the blanks taken off each; null where there is no back section or nothing on the front. */
    public function breakthrough(): ?Exact
    {
        if ($this->back === null || $this->back->lessThan || $this->front->lessThan) {
            return null;
        }
        $blank = $this->blankCorrected === Corrected::Yes || $this->blanks === [] ? Exact::zero() : Exact::mean(array_map(static fn (BlankMass $one): Exact => $one->mass->floor(), $this->blanks));
        $front = $this->front->micrograms()->minus($blank);
        $back = $this->back->micrograms()->minus($blank);

        return $front->compareTo(Exact::zero()) <= 0 ? null : $back->times(100)->dividedBy($front);
    }

    /** What stands below this mass is only known to be less: detection where the laboratory gives it, else quantitation. */
    private function limit(): ?Mass
    {
        return $this->detection ?? $this->quantitation;
    }

    /** Front and back, blank taken off, before desorption, µg. */
    private function raw(): Exact
    {
        $raw = $this->front->micrograms();
        if ($this->back !== null && !$this->back->lessThan) {
            $raw = $raw->plus($this->back->micrograms());
        }
        $blank = $this->subtracted?->value;

        return $blank instanceof Exact ? $raw->minus($blank) : $raw;
    }
}
