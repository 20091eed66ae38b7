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
     * C-1 above the line: m = (front + back − blank)/DE in µg, as an interval where nothing, or only the back section, was
     * found. Below quantitation it is less than the limit of quantitation, unless the laboratory gives a limit of detection
     * and the mass lies above it: then it is a number, an estimate.
     *
     * Beside something on the front, a back section that is "less than" counts as nothing, and so does such a blank.
     */
    public Figure $mass;

    /** What it is with such blanks at their limits taken off, µg; null where that is no other number. */
    public ?Figure $least;

    /** What it is with such a back section at its limit, µg; null where that is no other number. */
    public ?Figure $most;

    /** Whether it lies further below zero than the laboratory can tell: a filter torn, exchanged or misweighed. */
    public bool $isBelowZero;

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
        $raw = $this->raw();
        $isNegative = !$this->isLessThan() && $raw->compareTo(Exact::zero()) < 0;
        $this->isBelowZero = $isNegative
            && ($quantitation === null || $raw->plus($quantitation->micrograms())->compareTo(Exact::zero()) < 0);
        $this->mass = $this->massOnMedium($raw, $isNegative && !$this->isBelowZero);
        $counts = !$this->isLessThan() && !$this->isBelowZero && !$this->mass->isLessThan();
        $blank = $this->blank(static fn (Mass $mass): Exact => $mass->micrograms());
        $off = $this->subtracted?->value;
        $this->least = $counts && $off instanceof Exact && $blank !== null && $blank->compareTo($off) !== 0
            ? $this->other('mass with the blanks at their limits taken off', $raw->plus($off)->minus($blank))
            : null;
        $this->most = $counts && $back !== null && $back->lessThan && !$front->lessThan
            ? $this->other('mass with the back section at its limit', $raw->plus($back->micrograms()))
            : null;
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

    /**
     * @param Exact $raw           front and back, blank taken off, before desorption, µg
     * @param bool  $isLittleBelow whether it is below zero by no more than the laboratory cannot tell
     */
    private function massOnMedium(Exact $raw, bool $isLittleBelow): Figure
    {
        $origin = $this->origin();
        $read = static function (string $symbol, string $meaning, Mass $mass) use ($origin): Figure {
            $figure = Figure::read($symbol, $meaning, $mass->value->value, $mass->unit, $origin, $mass->value->decimals());

            return $mass->lessThan ? $figure->downTo(Exact::zero()) : $figure;
        };
        $inputs = [$read('m_front', 'front section of '.$this->name(), $this->front)];
        if ($this->back !== null) {
            $inputs[] = $read('m_back', 'back section', $this->back);
        }
        if ($this->subtracted !== null) {
            $inputs[] = $this->subtracted;
        }
        $limit = $isLittleBelow ? $this->quantitation : $this->limit();
        $isBelow = !$this->isLessThan() && !$this->isBelowZero && $limit !== null && $raw->compareTo($limit->micrograms()) < 0;
        $high = $isBelow ? $limit->micrograms() : $raw;
        if ($isBelow) {
            $inputs[] = $read('LOQ', 'limit below which nothing is stated', $limit);
        }
        // A back section that is loaded behind an empty front: the front may hold anything below its own limit.
        $low = $this->front->lessThan && !$this->isLessThan() ? $raw->minus($this->front->micrograms()) : $high;
        if ($this->efficiency() !== null) {
            $inputs[] = Figure::read(
                'DE',
                'desorption efficiency',
                $this->efficiency()->value,
                Unit::None,
                $origin,
                $this->efficiency()->decimals(),
            );
        }
        $high = $this->desorbed($high);
        $low = $this->desorbed($low);
        $figure = Figure::derived(
            'm',
            'mass of '.$this->name(),
            $high,
            Unit::Microgram,
            FlowEquation::Concentration,
            $inputs,
            Digits::significant($high, 3),
        );

        return match (true) {
            $isBelow, $this->isLessThan() => $figure->downTo(Exact::zero()),
            $low->compareTo($high) !== 0 => $figure->downTo($low->compareTo(Exact::zero()) < 0 ? Exact::zero() : $low),
            default => $figure,
        };
    }

    private function other(string $meaning, Exact $raw): Figure
    {
        $mass = $this->desorbed($raw);

        return Figure::derived(
            'm',
            $meaning,
            $mass,
            Unit::Microgram,
            FlowEquation::Concentration,
            [$this->mass],
            Digits::significant($mass, 3),
        );
    }

    private function origin(): Origin
    {
        return new Origin('laboratory', $this->report, \sprintf('%s, report %s', $this->laboratory, $this->report));
    }

    private function efficiency(): ?Decimal
    {
        return $this->desorptionCorrected !== Corrected::No || $this->desorption === null || $this->desorption->value->isZero()
            ? null
            : $this->desorption;
    }

    private function desorbed(Exact $mass): Exact
    {
        $efficiency = $this->efficiency();

        return $efficiency === null ? $mass : $mass->dividedBy($efficiency->value);
    }

    private function meanBlank(): ?Figure
    {
        if ($this->blankCorrected !== Corrected::No || $this->blanks === []) {
            return null;
        }
        $figures = [];
        foreach ($this->blanks as $blank) {
            foreach ($this->sections($blank) as $section => $mass) {
                $figures[] = Figure::read(
                    'm_b',
                    \sprintf(
                        '%s blank %s%s%s',
                        $blank->kind,
                        $blank->medium,
                        $section === 'front' ? '' : ', back section',
                        $mass->lessThan ? ', less than, counted as nothing' : '',
                    ),
                    $mass->floor(),
                    Unit::Microgram,
                    new Origin('laboratory', $this->report, 'blank '.$blank->medium),
                    2,
                );
            }
        }
        $mean = $this->blank(static fn (Mass $mass): Exact => $mass->floor()) ?? Exact::zero();

        return Figure::derived(
            'm_blank',
            \sprintf('mean of %d %s blank%s', \count($this->blanks), $this->blanks[0]->kind, \count($this->blanks) === 1 ? '' : 's'),
            $mean,
            Unit::Microgram,
            SharedEquation::Replicates,
            $figures,
            Digits::significant($mean, 3),
        );
    }

    /**
     * Of a blank what is taken off: of its back section only where the sample's own counts.
     *
     * @return array{front: Mass, back?: Mass}
     */
    private function sections(BlankMass $blank): array
    {
        return [
            'front' => $blank->mass,
            ...($blank->back === null || $this->back === null || $this->back->lessThan ? [] : ['back' => $blank->back]),
        ];
    }

    /**
     * The mean of all blanks, their sections added, µg.
     *
     * @param \Closure(Mass): Exact $of
     */
    private function blank(\Closure $of): ?Exact
    {
        return $this->blankCorrected !== Corrected::No || $this->blanks === []
            ? null
            : Exact::mean(
                array_map(
                    fn (BlankMass $blank): Exact => array_reduce(
                        $this->sections($blank),
                        static fn (Exact $sum, Mass $mass): Exact => $sum->plus($of($mass)),
                        Exact::zero(),
                    ),
                    $this->blanks,
                ),
            );
    }

    /** What was found in both sections, before any blank, µg; null where nothing was. */
    public function found(): ?Exact
    {
        $found = $this->front->floor()->plus($this->back?->floor() ?? Exact::zero());

        return $found->compareTo(Exact::zero()) > 0 ? $found : null;
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

    /** Back over front in percent, blanks by section taken off each; null where there is no back section or nothing on the front. */
    public function breakthrough(): ?Exact
    {
        if ($this->back === null || $this->back->lessThan || $this->front->lessThan) {
            return null;
        }
        $front = $this->front->micrograms();
        $back = $this->back->micrograms();
        $bySection = array_values(array_filter($this->blanks, static fn (BlankMass $one): bool => $one->back !== null));
        if ($this->blankCorrected !== Corrected::Yes && $bySection !== []) {
            $front = $front->minus(Exact::mean(array_map(static fn (BlankMass $one): Exact => $one->mass->floor(), $bySection)));
            $back = $back->minus(
                Exact::mean(array_map(static fn (BlankMass $one): Exact => $one->back?->floor() ?? Exact::zero(), $bySection)),
            );
        }

        return $front->compareTo(Exact::zero()) <= 0 ? null : $back->times(100)->dividedBy($front);
    }

    /**
     * Whether the back section holds something and the front nothing: a tube put in backwards, sections mixed up, or all of it
     * gone through.
     */
    public function isBackwards(): bool
    {
        return $this->back !== null
            && !$this->back->lessThan
            && $this->front->lessThan
            && $this->back->micrograms()->compareTo(Exact::zero()) > 0;
    }

    /** What stands below this mass is only known to be less: detection where the laboratory gives it, else quantitation. */
    private function limit(): ?Mass
    {
        return $this->detection ?? $this->quantitation;
    }

    /** Front and back, blank taken off, before desorption, µg; where nothing was found the limits of both, and nothing taken off. */
    private function raw(): Exact
    {
        $raw = $this->front->micrograms();
        if ($this->isLessThan()) {
            return $this->back === null ? $raw : $raw->plus($this->back->micrograms());
        }
        if ($this->back !== null && !$this->back->lessThan) {
            $raw = $raw->plus($this->back->micrograms());
        }
        $blank = $this->subtracted?->value;

        return $blank instanceof Exact ? $raw->minus($blank) : $raw;
    }
}
