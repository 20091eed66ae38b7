<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;

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
     * @param string      $analyte   code of the substance
     * @param Traits|null $substance its entry in the library, for name and molar mass
     */
    public function __construct(
        public string $analyte,
        public ?Traits $substance,
        public ReportedBy $reported,
        public FoundMasses $masses,
        public LaboratoryCorrections $corrections,
        public CountingBlanks $blanks,
    ) {
        $this->subtracted = $this->meanBlank();
        $raw = $this->raw();
        $isNegative = !$this->isLessThan() && $raw->compareTo(Exact::zero()) < 0;
        $this->isBelowZero = $isNegative
            && ($masses->quantitation === null || $raw->plus($masses->quantitation->micrograms())->compareTo(Exact::zero()) < 0);
        $this->mass = $this->massOnMedium($raw, $isNegative && !$this->isBelowZero);
        $counts = !$this->isLessThan() && !$this->isBelowZero && !$this->mass->isLessThan();
        $blank = $this->blank(static fn (Mass $mass): Exact => $mass->micrograms());
        $off = $this->subtracted?->value;
        $this->least = $counts && $off instanceof Exact && $blank !== null && $blank->compareTo($off) !== 0
            ? $this->put(
                'mass with the blanks at their limits taken off',
                $raw->plus($off)->minus($blank),
                $this->counting(),
                [$this->mean(false)],
            )
            : null;
        $this->most = $counts && $masses->back !== null && $masses->back->lessThan && !$masses->front->lessThan
            ? $this->put(
                'mass with the back section at its limit',
                $raw->plus($masses->back->micrograms()),
                [...$this->counting(), Figure::read(
                    'm_back',
                    'back section, at its limit',
                    $masses->back->value->value,
                    $masses->back->unit,
                    $this->origin(),
                    $masses->back->value->decimals(),
                )],
                $this->subtracted === null ? [] : [$this->subtracted],
            )
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
        $found = $this->counting();
        $off = $this->subtracted === null || $this->isLessThan() ? [] : [$this->subtracted];
        $limit = $isLittleBelow ? $this->masses->quantitation : $this->limit();
        $isBelow = !$this->isLessThan() && !$this->isBelowZero && $limit !== null && $raw->compareTo($limit->micrograms()) < 0;
        if (!$isBelow) {
            return $this->put('mass of '.$this->name(), $raw, $found, $off);
        }
        $mass = $this->desorbed($limit->micrograms());

        return Figure::derived(
            'm',
            'mass of '.$this->name(),
            $mass,
            CommonUnit::Microgram,
            $this->efficiency() === null ? FlowEquation::MassLimit : FlowEquation::DesorbedLimit,
            [
                'm_raw' => $this->put('mass on the medium', $raw, $found, $off, false),
                'LOQ' => $this->section('LOQ', 'limit below which nothing is stated', $limit),
                ...$this->desorption(),
            ],
            Digits::significant($mass, 3),
        )->downTo(Exact::zero());
    }

    /**
     * C-1a, b: what was found less what is taken off, desorbed.
     *
     * @param list<Figure> $found
     * @param list<Figure> $off
     * @param bool         $isDesorbed else what was found on the medium, before its efficiency divides
     */
    private function put(string $meaning, Exact $raw, array $found, array $off, bool $isDesorbed = true): Figure
    {
        $divides = $isDesorbed && $this->efficiency() !== null;
        $mass = $isDesorbed ? $this->desorbed($raw) : $raw;
        $figure = Figure::derived(
            'm',
            $meaning,
            $mass,
            CommonUnit::Microgram,
            $divides ? FlowEquation::DesorbedMass : FlowEquation::Mass,
            [...Row::of('m_i', $found), ...Row::of('m_j', $off), ...($divides ? $this->desorption() : [])],
            Digits::significant($mass, 3),
        );
        if (array_filter($found, static fn (Figure $one): bool => $one->known->floor !== null) === []) {
            return $figure;
        }
        // Behind an empty front a loaded back section: the front may hold anything below its own limit.
        $low = $this->isLessThan() ? Exact::zero() : $raw->minus($this->masses->front->micrograms());
        $low = $isDesorbed ? $this->desorbed($low) : $low;

        return $figure->downTo($low->compareTo(Exact::zero()) < 0 ? Exact::zero() : $low);
    }

    /** @return array<string, Figure> the desorption efficiency as an input, where it divides */
    private function desorption(): array
    {
        return $this->efficiency() === null ? [] : [
            'DE' => Figure::read(
                'DE',
                'desorption efficiency',
                $this->efficiency()->value,
                CommonUnit::None,
                $this->origin(),
                $this->efficiency()->decimals(),
            ),
        ];
    }

    /** @return list<Figure> the sections that count: beside something on the front a back that is only "less than" does not */
    private function counting(): array
    {
        $front = $this->section('m_front', 'front section of '.$this->name(), $this->masses->front);
        $back = $this->masses->back;

        return $back === null || ($back->lessThan && !$this->isLessThan())
            ? [$front]
            : [$front, $this->section('m_back', 'back section', $back)];
    }

    /** What a section was found to hold, as an input. */
    private function section(string $symbol, string $meaning, Mass $mass): Figure
    {
        $figure = Figure::read($symbol, $meaning, $mass->value->value, $mass->unit, $this->origin(), $mass->value->decimals());

        return $mass->lessThan ? $figure->downTo(Exact::zero()) : $figure;
    }

    private function origin(): Origin
    {
        return new Origin(
            'laboratory',
            $this->reported->report,
            \sprintf('%s, report %s', $this->reported->laboratory, $this->reported->report),
        );
    }

    private function efficiency(): ?Decimal
    {
        $efficiency = $this->corrections->efficiency;

        return $this->corrections->desorption !== Corrected::No || $efficiency === null || $efficiency->value->isZero()
            ? null
            : $efficiency;
    }

    private function desorbed(Exact $mass): Exact
    {
        $efficiency = $this->efficiency();

        return $efficiency === null ? $mass : $mass->dividedBy($efficiency->value);
    }

    /** What a section of a blank was found to hold. */
    private function blankSection(BlankMass $blank, string $section, Mass $mass): Figure
    {
        $read = Figure::read(
            'm_b',
            \sprintf('%s blank %s%s', $blank->kind, $blank->medium, $section === 'front' ? '' : ', back section'),
            $mass->value->value,
            $mass->unit,
            new Origin('laboratory', $this->reported->report, 'blank '.$blank->medium),
            $mass->value->decimals(),
        );

        return $mass->lessThan ? $read->downTo(Exact::zero()) : $read;
    }

    private function meanBlank(): ?Figure
    {
        if ($this->corrections->blank !== Corrected::No || $this->blanks->masses === []) {
            return null;
        }

        return $this->mean(true);
    }

    /**
     * The mean of the blanks.
     *
     * @param bool $isFloor whether one that is only "less than" counts as nothing, else as its limit
     */
    private function mean(bool $isFloor): Figure
    {
        $of = $isFloor ? static fn (Mass $mass): Exact => $mass->floor() : static fn (Mass $mass): Exact => $mass->micrograms();
        $value = $this->blank($of) ?? Exact::zero();
        $figures = [];
        foreach ($this->blanks->masses as $blank) {
            $sections = [];
            foreach ($this->sections($blank) as $section => $mass) {
                // One that is only "less than" counts at one of its ends.
                $read = $this->blankSection($blank, $section, $mass);
                $sections[] = !$mass->lessThan ? $read : ($isFloor ? $read->low() : $read->high());
            }
            $figures[] = \count($sections) === 1 ? $sections[0] : Figure::derived(
                'm_b',
                \sprintf('%s blank %s', $blank->kind, $blank->medium),
                array_reduce(
                    $this->sections($blank),
                    static fn (Exact $sum, Mass $mass): Exact => $sum->plus($of($mass)),
                    Exact::zero(),
                ),
                CommonUnit::Microgram,
                FlowEquation::Mass,
                Row::of('m_i', $sections),
                2,
            );
        }

        return Figure::derived(
            'm_blank',
            \sprintf(
                'mean of %d %s blank%s',
                \count($this->blanks->masses),
                $this->blanks->masses[0]->kind,
                \count($this->blanks->masses) === 1 ? '' : 's',
            ),
            $value,
            CommonUnit::Microgram,
            SharedEquation::Replicates,
            Row::of('x_i', $figures),
            Digits::significant($value, 3),
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
            ...($blank->back === null || $this->masses->back === null || $this->masses->back->lessThan ? [] : ['back' => $blank->back]),
        ];
    }

    /**
     * The mean of all blanks, their sections added, µg.
     *
     * @param \Closure(Mass): Exact $of
     */
    private function blank(\Closure $of): ?Exact
    {
        return $this->corrections->blank !== Corrected::No || $this->blanks->masses === []
            ? null
            : Exact::mean(
                array_map(
                    fn (BlankMass $blank): Exact => array_reduce(
                        $this->sections($blank),
                        static fn (Exact $sum, Mass $mass): Exact => $sum->plus($of($mass)),
                        Exact::zero(),
                    ),
                    $this->blanks->masses,
                ),
            );
    }

    /** What was found in both sections, before any blank, µg; null where nothing was. */
    public function found(): ?Exact
    {
        $found = $this->masses->front->floor()->plus($this->masses->back?->floor() ?? Exact::zero());

        return $found->compareTo(Exact::zero()) > 0 ? $found : null;
    }

    /** Whether nothing was found in either section. */
    public function isLessThan(): bool
    {
        return $this->masses->front->lessThan && ($this->masses->back === null || $this->masses->back->lessThan);
    }

    /** Between detection and quantitation: a number, but an estimate. */
    public function isEstimated(): bool
    {
        return !$this->mass->isLessThan()
            && $this->masses->quantitation !== null
            && $this->raw()->compareTo($this->masses->quantitation->micrograms()) < 0;
    }

    /** Back over front in percent, blanks by section taken off each; null where there is no back section or nothing on the front. */
    public function breakthrough(): ?Figure
    {
        if ($this->masses->back === null || $this->masses->back->lessThan || $this->masses->front->lessThan) {
            return null;
        }
        $front = $this->masses->front->micrograms();
        $back = $this->masses->back->micrograms();
        $bySection = array_values(array_filter($this->blanks->masses, static fn (BlankMass $one): bool => $one->back !== null));
        $blanks = [];
        if ($this->corrections->blank !== Corrected::Yes && $bySection !== []) {
            $front = $front->minus(Exact::mean(array_map(static fn (BlankMass $one): Exact => $one->mass->floor(), $bySection)));
            $back = $back->minus(
                Exact::mean(array_map(static fn (BlankMass $one): Exact => $one->back?->floor() ?? Exact::zero(), $bySection)),
            );
            foreach ($bySection as $one) {
                $blanks[] = [
                    $this->blankSection($one, 'back', $one->back ?? $one->mass)->low(),
                    $this->blankSection($one, 'front', $one->mass)->low(),
                ];
            }
        }

        return $front->compareTo(Exact::zero()) <= 0 ? null : Figure::derived(
            's',
            'back section of '.$this->name().' against its front',
            $back->times(100)->dividedBy($front),
            CommonUnit::Percent,
            $blanks === [] ? FlowEquation::BackOverFront : FlowEquation::BackOverFrontLessBlanks,
            [
                'm_back' => $this->section('m_back', 'back section', $this->masses->back),
                'm_front' => $this->section('m_front', 'front section of '.$this->name(), $this->masses->front),
                ...Row::together(['m_i', 'm_j'], $blanks),
            ],
            1,
        );
    }

    /**
     * Whether the back section holds something and the front nothing: a tube put in backwards, sections mixed up, or all of it
     * gone through.
     */
    public function isBackwards(): bool
    {
        return $this->masses->back !== null
            && !$this->masses->back->lessThan
            && $this->masses->front->lessThan
            && $this->masses->back->micrograms()->compareTo(Exact::zero()) > 0;
    }

    /** What stands below this mass is only known to be less: detection where the laboratory gives it, else quantitation. */
    private function limit(): ?Mass
    {
        return $this->masses->detection ?? $this->masses->quantitation;
    }

    /** Front and back, blank taken off, before desorption, µg; where nothing was found the limits of both, and nothing taken off. */
    private function raw(): Exact
    {
        $raw = $this->masses->front->micrograms();
        if ($this->isLessThan()) {
            return $this->masses->back === null ? $raw : $raw->plus($this->masses->back->micrograms());
        }
        if ($this->masses->back !== null && !$this->masses->back->lessThan) {
            $raw = $raw->plus($this->masses->back->micrograms());
        }
        $blank = $this->subtracted?->value;

        return $blank instanceof Exact ? $raw->minus($blank) : $raw;
    }
}
