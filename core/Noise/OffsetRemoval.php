<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Exact;

/**
 * How an offset is taken out of one quantity: its value, and the equation and inputs that say so; and what the offset is that
 * would put it on a limit.
 */
final readonly class OffsetRemoval
{
    /**
     * @param Figure                        $indicated as the unit said it
     * @param \Closure(float): float        $at        its value with a constant offset taken out; falls as that grows
     * @param (\Closure(Exact): Exact)|null $exactly   the same exactly, where it is a decimal as written
     * @param NoiseEquation                 $equation  of its value, "o" being the offset
     * @param array<string, Figure>         $inputs    of its value, but for the offset
     * @param NoiseEquation                 $tips      of the offset at which it sits on a limit
     * @param array<string, Figure>         $tipping   inputs of that, but for the limit
     */
    private function __construct(
        public Figure $indicated,
        private \Closure $at,
        private ?\Closure $exactly,
        private NoiseEquation $equation,
        private array $inputs,
        private NoiseEquation $tips,
        private array $tipping,
    ) {
    }

    /** N-10a: a level, from which an offset is taken as it is. */
    public static function ofLevel(Figure $indicated): self
    {
        $exact = $indicated->value;
        $value = $indicated->toFloat();

        return new self(
            $indicated,
            static fn (float $offset): float => $value - $offset,
            $exact instanceof Exact ? $exact->minus(...) : null,
            NoiseEquation::OffsetTakenOut,
            ['L_ind' => $indicated],
            NoiseEquation::TippingOffset,
            ['L' => $indicated],
        );
    }

    /** N-10b: a dose of which only the total is known. */
    public static function ofDose(Figure $indicated, DoseCriterion $criterion, Figure $q): self
    {
        $value = $indicated->toFloat();

        return new self(
            $indicated,
            static fn (float $offset): float => $value * $criterion->factor($offset),
            null,
            NoiseEquation::OffsetOutOfDose,
            ['D_ind' => $indicated, 'q' => $q],
            NoiseEquation::TippingOffsetOfDose,
            ['D_ind' => $indicated, 'q' => $q],
        );
    }

    /**
     * N-10f: a dose out of a log, the offset taken out of each sample first.
     *
     * @param \Closure(float): float $at
     * @param array<string, Figure>  $inputs of the dose
     */
    public static function ofLoggedDose(Figure $indicated, \Closure $at, array $inputs): self
    {
        $isOpen = !isset($inputs['L_thr']);

        return new self(
            $indicated,
            $at,
            null,
            $isOpen ? NoiseEquation::LogDoseWithoutThreshold : NoiseEquation::LogDose,
            $inputs,
            $isOpen ? NoiseEquation::TippingOffsetOfLogWithoutThreshold : NoiseEquation::TippingOffsetOfLog,
            $inputs,
        );
    }

    public function at(float $offset): float
    {
        return ($this->at)($offset);
    }

    /** With a constant offset taken out. */
    public function of(Figure $offset, string $how): Figure
    {
        return $this->told(
            $how,
            $this->exactly !== null && $offset->value instanceof Exact ? ($this->exactly)($offset->value) : $this->at($offset->toFloat()),
            $this->equation,
            [...$this->inputs, 'o' => $offset],
        );
    }

    /**
     * The quantity by another way of taking the offset out.
     *
     * @param array<string, Figure> $inputs
     */
    public function told(string $how, Exact|float $value, NoiseEquation $equation, array $inputs): Figure
    {
        return Figure::derived(
            $this->indicated->symbol,
            $this->indicated->meaning.', '.$how,
            $value,
            $this->indicated->unit,
            $equation,
            $inputs,
            $this->indicated->decimals,
        );
    }

    /** The offset at which it sits on a limit, which was found to be so much, dB. */
    public function tips(float $offset, Figure $limit, string $meaning): Figure
    {
        return Figure::derived(
            'o*',
            $meaning,
            $offset,
            LevelUnit::Decibel,
            $this->tips,
            [...$this->tipping, $this->tips === NoiseEquation::TippingOffset ? 'L_lim' : 'D_lim' => $limit],
            2,
        );
    }
}
