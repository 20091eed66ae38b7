<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** How a noise dose is summed: criterion level, exchange rate and threshold over a criterion duration of 8 h. */
final readonly class DoseCriterion implements Criterion
{
    public const HOURS = 8.0;

    /** k as published, by the exchange rate, with its source. */
    private const PUBLISHED = ['5.000' => ['16.61', '29 CFR 1910.95 App. A'], '3.000' => ['10.0', 'NIOSH 98-126']];

    private const LG2 = 0.30102999566398119521;

    /** @param Decimal|null $threshold null: every level counts */
    public function __construct(
        public string $id,
        public string $name,
        public Decimal $level,
        public Decimal $exchangeRate,
        public ?Decimal $threshold,
        public string $source,
        public SourceMark $mark,
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function q(): float
    {
        return $this->exchangeRate->value->toFloat();
    }

    public function l(): float
    {
        return $this->level->value->toFloat();
    }

    /** q/lg 2: 16.6096 for q 5, 9.9658 for q 3. */
    public function slope(): float
    {
        return $this->q() / self::LG2;
    }

    /** Allowed hours at a level (N-4). */
    public function allowedHours(float $level): float
    {
        return self::HOURS * 2 ** (-($level - $this->l()) / $this->q());
    }

    /** Published TWA from a dose in % (N-5a); −∞ for no dose. */
    public function timeWeightedAverage(float $dose): float
    {
        return $dose > 0.0 ? $this->l() + $this->k()->toFloat() * log10($dose / 100) : -\INF;
    }

    /** What a tenfold dose means, dB, as published with the exchange rate; else as it follows from that (N-5b). */
    public function k(): Figure
    {
        $published = self::PUBLISHED[$this->exchangeRate->value->rounded(3)] ?? null;

        return $published === null
            ? Figure::derived(
                'k',
                'dB that a tenfold dose means',
                $this->slope(),
                LevelUnit::Decibel,
                NoiseEquation::ExchangeFactor,
                ['q' => $this->exchange()],
                2,
            )
            : Figure::read(
                'k',
                'dB that a tenfold dose means',
                Exact::of($published[0]),
                LevelUnit::Decibel,
                new Origin('constant', $published[1], $published[1].', published'),
                2,
            );
    }

    /** L_c as an input. */
    public function criterionLevel(): Figure
    {
        return $this->stated('L_c', 'criterion level', $this->level, LevelUnit::DecibelA);
    }

    /** q as an input. */
    public function exchange(): Figure
    {
        return $this->stated('q', 'exchange rate', $this->exchangeRate, LevelUnit::Decibel);
    }

    /** T_c as an input: the time in which the criterion level gives a dose of 100 %. */
    public function duration(): Figure
    {
        return Figure::read('T_c', 'criterion duration', Exact::of((int) self::HOURS), CommonUnit::Hour, $this->origin(), 0);
    }

    /**
     * What a dose is summed by: L_c, q, T_c, and L_thr where there is one.
     *
     * @return array<string, Figure>
     */
    public function inputs(): array
    {
        $inputs = ['L_c' => $this->criterionLevel(), 'q' => $this->exchange(), 'T_c' => $this->duration()];

        return $this->threshold === null
            ? $inputs
            : [...$inputs, 'L_thr' => $this->stated('L_thr', 'threshold', $this->threshold, LevelUnit::DecibelA)];
    }

    private function stated(string $symbol, string $meaning, Decimal $value, LevelUnit $unit): Figure
    {
        return Figure::read($symbol, $meaning, $value->value, $unit, $this->origin(), $value->decimals());
    }

    private function origin(): Origin
    {
        return new Origin('criterion', $this->id, $this->source.' ('.$this->mark->value.')');
    }

    /** L_avg from a dose in % accrued over $hours (N-6). */
    public function averageLevel(float $dose, float $hours): float
    {
        return $dose > 0.0 && $hours > 0.0 ? $this->l() + $this->slope() * log10($dose * self::HOURS / (100 * $hours)) : -\INF;
    }

    /** What a dose known as a total is multiplied by when a constant offset is taken out (N-10). */
    public function factor(float $offset): float
    {
        return 2 ** (-$offset / $this->q());
    }
}
