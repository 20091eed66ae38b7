<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\EightHourMean;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;
use Footnote\Core\Response\Moments;

/** Makes results of what a channel read: the four answers (G-2), its factor (G-4), and both units. */
final readonly class ChannelAnswers
{
    /** F, what a reading is divided by before a response is taken out: what the unit, or a hand, had applied to it. */
    public Figure $undone;

    private Answer $reported;

    public function __construct(
        private Run $run,
        private Policy $policy,
        public SensedSubstance $of,
        public Factor $factor,
        private ReferenceConditions $conditions,
        public ChannelEvidence $evidence,
    ) {
        $this->undone = $this->applied();
        $answer = $policy->reportedAnswer('linear');
        // What was set to a wrong value, or left off, is set right along the bracket, whatever the policy reports otherwise.
        $isMended = $evidence->setRight || $evidence->left !== [];
        $this->reported = $isMended && $answer === Answer::Indicated ? Answer::Between : $answer;
    }

    /** What the unit and a hand had applied to what the sensor gave; in mg/m³ by the molar mass of what the unit was set to. */
    private function applied(): Figure
    {
        $origin = new Origin('run', $this->run->id, 'as the instrument was set');
        $one = static fn (string $symbol, string $by, ?Decimal $factor): Figure => Figure::read(
            $symbol,
            'applied by '.$by.($factor === null ? ': nothing' : ''),
            $factor->value ?? Exact::of(1),
            CommonUnit::None,
            $origin,
            $factor?->decimals() ?? 0,
        );
        $setting = $this->of->set->setting;
        $inputs = ['F_unit' => $one('F', 'the instrument', $setting->unitFactor), 'F_hand' => $one('F', 'hand', $setting->handFactor)];
        if (!$setting->milligram) {
            return self::undone($this->factor->undone, GasEquation::AppliedFactor, $inputs);
        }
        $molar = $this->of->molarMassOfSetting();
        $volume = ReferenceConditions::at('25', '101.325')->molarVolume($this->of->air);

        return self::undone(
            Real::by(Real::times($this->factor->undone, $molar->value), $volume->value),
            GasEquation::AppliedByMass,
            [...$inputs, 'M' => $molar, 'V_m' => $volume],
        );
    }

    /** @param array<string, Figure> $inputs */
    private static function undone(Exact|float $value, GasEquation $equation, array $inputs): Figure
    {
        return Figure::derived('F', 'applied by the instrument or by hand', $value, CommonUnit::None, $equation, $inputs, 3);
    }

    /** Whether anything was applied. */
    private function isApplied(): bool
    {
        return Real::compare($this->undone->value, Exact::of(1)) !== 0;
    }

    /**
     * G-2 and G-4: the four answers to one raw reading.
     *
     * @param (\Closure(Figure): ?Figure)|null $between along the bracket, of what the sensor gave; null: at no known moment
     */
    public function answers(Figure $raw, ?\Closure $between, bool $unknownMoment = false): FourAnswers
    {
        $sensor = !$this->isApplied()
            ? $raw
            : Figure::derived(
                'r',
                $raw->meaning.', before what was applied to it',
                Real::by($raw->value, $this->undone->value),
                $this->of->channel->unit,
                GasEquation::FactorUndone,
                ['r_shown' => $raw, 'F' => $this->undone],
                2,
            );
        $by = fn (LinearKnot $knot): ?Figure => Real::compare($knot->gain->value, Exact::zero()) <= 0
            ? null
            : Figure::derived(
                'c',
                \sprintf('%s, response %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check),
                Real::by(Real::minus($sensor->value, $knot->zero->value), $knot->gain->value),
                $this->of->channel->unit,
                GasEquation::Corrected,
                ['r' => $sensor, 'z' => $knot->zero, 'g' => $knot->gain],
                self::digits($sensor->value),
            );
        $line = $this->evidence->line;
        $moved = fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $line->isConstant() => $pre,
            $between === null => $unknownMoment ? $this->atSomeMoment($sensor, $line) : null,
            default => $between($sensor),
        };
        $answers = FourAnswers::along($sensor, $line->knots ?? [], $this->evidence->bracket, $by, $moved)->bounded($raw->known->bound);
        $unsaved = $this->evidence->unsaved === null ? null : $by($this->evidence->unsaved);

        return ($unsaved === null ? $answers : $answers->alsoBy($unsaved))->each($this->factored(...));
    }

    /**
     * What a reading comes to with the response along the bracket taken out.
     *
     * @param array<string, Figure> $inputs but for the response
     * @param string                $index  of its rows
     */
    public function along(string $meaning, Exact|float $value, GasEquation $equation, array $inputs, string $index): Figure
    {
        return Figure::derived(
            'c',
            $meaning.', response interpolated',
            $value,
            $this->of->channel->unit,
            $equation,
            [...$inputs, ...$this->response($index)],
            self::digits($value),
        );
    }

    /**
     * The response along the bracket as rows of an equation: t_j₁, z_j₁, g_j₁, t_j₂ …
     *
     * @return array<string, Figure>
     */
    public function response(string $index): array
    {
        return (new Moments($this->run))->along(
            $this->evidence->line->knots ?? [],
            ['t_'.$index, 'z_'.$index, 'g_'.$index],
            static fn (LinearKnot $knot): array => [$knot->zero, $knot->gain],
        );
    }

    /** An extreme whose moment is not known lies between what the responses of its stretch make of it; the higher end is told. */
    private function atSomeMoment(Figure $sensor, LinearLine $line): ?Figure
    {
        $values = array_map(
            static fn (array $at): float => $at[1] > 0.0 ? ($sensor->toFloat() - $at[0]) / $at[1] : \INF,
            $line->within($this->evidence->window),
        );

        return max($values) === \INF
            ? null
            : Figure::derived(
                'c',
                $sensor->meaning.', at an unknown moment along the bracket',
                max($values),
                $this->of->channel->unit,
                GasEquation::UnknownMoment,
                [
                    'r' => $sensor,
                    ...$this->response('i'),
                    ...(new Moments($this->run))->standing($this->evidence->window),
                ],
                self::digits(max($values)),
            )->downTo(min($values));
    }

    private function factored(Figure $one): Figure
    {
        $factor = $this->factor->applied;

        return $factor === null
            ? $one
            : Figure::derived(
                'c',
                $one->meaning.', as '.($this->of->set->known?->text('name') ?? 'vapour'),
                Real::times($one->value, $factor->value),
                $one->unit,
                GasEquation::Factor,
                ['c_told' => $one, 'CF' => $factor],
                self::digits($one->value),
            )->downAs($one, static fn (Exact|float $floor): Exact|float => Real::times($floor, $factor->value));
    }

    /** G-4 by C-2: the same by mass; null where the molar mass of what was there is not known. */
    public function byMass(Figure $one): ?Figure
    {
        $molar = $this->of->molarMass();
        if ($molar === null || $this->factor->missing) {
            return null;
        }
        $volume = $this->conditions->molarVolume($this->of->air, new Origin('run', $this->run->id, 'in the field'));
        $perPart = Real::by($molar->value, $volume->value);
        $value = Real::times($one->value, $perPart);
        $told = Figure::derived(
            $one->symbol,
            $one->meaning.', by mass',
            $value,
            CommonUnit::MilligramPerCubicMetre,
            SharedEquation::MassConcentration,
            ['x' => $one, 'M' => $molar, 'V_m' => $volume],
            self::digits($value),
        );

        return $told
            ->downAs($one, static fn (Exact|float $floor): Exact|float => Real::times($floor, $perPart))
            ->bounded($one->known->bound);
    }

    /**
     * A result in the channel's unit, and in mg/m³ where its molar mass is known.
     *
     * @param list<string|Sentence> $notes
     *
     * @return list<Result>
     */
    public function inUnits(
        string $key,
        string $title,
        FourAnswers $answers,
        array $notes = [],
        bool $worstIsLow = false,
    ): array {
        $name = $this->of->name();
        $code = $this->of->code();
        $isPpm = $this->of->channel->unit === CommonUnit::PartsPerMillion;
        $results = [
            $this->result(
                ($isPpm ? $key.'-ppm' : $key).':'.$code,
                $title.$name,
                $answers,
                [
                    ...$notes,
                    ...($this->factor->missing ? ['In isobutylene units: the factor of '.$name.' with this lamp is not known.'] : []),
                ],
                $worstIsLow,
            ),
        ];
        if ($isPpm && $this->of->molarMass() !== null && !$this->factor->missing) {
            $results[] = $this->result(
                $key.':'.$code,
                $title.$name,
                $answers->each($this->byMass(...)),
                [...$notes, 'Stated at '.$this->conditions->name.'.'],
                $worstIsLow,
            );
        }

        return $results;
    }

    /**
     * The mean of what is not toxic as it is, and of what is over a shift of eight hours.
     *
     * @param (\Closure(Figure): ?Figure)|null $between along the bracket
     * @param Figure                           $time    that the mean rests on, min
     *
     * @return list<Result>
     */
    public function mean(Figure $raw, ?\Closure $between, Figure $time): array
    {
        $mean = $this->answers($raw, $between);
        if (!$this->of->isToxic()) {
            return $this->inUnits('mean', 'Mean, ', $mean);
        }
        $eight = new EightHourMean($mean, $time, $this->run, $this->policy, self::digits(...));

        return array_map(
            fn (Result $one): Result => $eight->told(
                $one,
                fn (Figure $figure): ?Figure => $one->reportedFigure()->unit === $figure->unit ? $figure : $this->byMass($figure),
            ),
            $this->inUnits('twa', 'TWA over 8 h, ', $eight->answers),
        );
    }

    /** What the display shows at the end of its range is at least that. */
    public function withinRange(Figure $read): Figure
    {
        $range = $this->of->channel->display->range;

        return $range !== null && Real::compare(Real::by($read->value, $this->undone->value), $range->value) >= 0
            ? $read->bounded(Bound::AtLeast)
            : $read;
    }

    /**
     * @param list<string|Sentence> $notes
     */
    public function result(string $key, string $title, FourAnswers $answers, array $notes, bool $worstIsLow): Result
    {
        $result = Result::of($key, $title, $this->reported, $answers, $notes, $this->of->channel->name, $worstIsLow);
        // What the unit shows after it was told a wrong value is no reading of what was there.
        if ($this->evidence->setRight) {
            $result = $result->notPlain();
        }
        if (($this->evidence->setRight || $this->evidence->left !== []) && $answers->between === null && $answers->pre !== null) {
            $result = $result->reporting(Answer::Pre);
        }

        return $this->stoppedAtZero($result);
    }

    /**
     * FC-A7: a display that shows nothing below zero hides how far the zero sank: it may all be that much more, up to what
     * the zero may drift.
     */
    private function stoppedAtZero(Result $result): Result
    {
        $setting = $this->policy->rule('gas.zero-drift');
        if (!$this->of->channel->display->stopsAtZero || $setting === null || $result->reportedFigure()->unit === CommonUnit::Minute) {
            return $result;
        }
        $label = ($this->evidence->drifts[0] ?? null)?->label;
        if ($label === null) {
            return $result;
        }
        $hidden = $this->factored(DriftLimit::of($this->of->channel, $setting)->most($label, $this->of->channel, $setting->rule->id));
        $reported = $result->reportedFigure();
        $hidden = $reported->unit === $this->of->channel->unit ? $hidden : $this->byMass($hidden);

        if ($hidden === null) {
            return $result;
        }
        $sunk = Figure::derived(
            $reported->symbol,
            $reported->meaning.', its zero sunk as far as it may',
            Real::plus($reported->value, $hidden->value),
            $reported->unit,
            GasEquation::ZeroSunk,
            ['c_told' => $reported, 'h' => $hidden],
            $reported->decimals,
        )->downAs($reported, static fn (Exact|float $floor): Exact|float => Real::plus($floor, $hidden->value));

        return $result
            ->or('with its zero sunk as far as it may, unseen', $sunk)
            ->noting('The display shows nothing below zero: no drift of its zero can be seen.');
    }

    /** Three digits that count, and no more decimals than a monitor can tell. */
    public static function digits(Exact|float $value): int
    {
        return min(2, Digits::significant($value, 3));
    }
}
