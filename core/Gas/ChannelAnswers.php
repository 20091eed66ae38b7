<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\EightHourMean;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/** Makes results of what a channel read: the four answers (G-2), its factor (G-4), and both units. */
final readonly class ChannelAnswers
{
    /** What a reading is divided by before a response is taken out: what the unit, or a hand, had applied to it. */
    public Exact $undone;

    private Answer $reported;

    public function __construct(
        private Run $run,
        private Policy $policy,
        public SensedSubstance $of,
        public Factor $factor,
        private ReferenceConditions $conditions,
        public ChannelEvidence $evidence,
    ) {
        $this->undone = $factor->undone->times($of->set->setting->milligram ? $of->milligramPerPart() : Exact::of(1));
        $answer = $policy->reportedAnswer('linear');
        // What was set to a wrong value, or left off, is set right along the bracket, whatever the policy reports otherwise.
        $isMended = $evidence->setRight || $evidence->left !== [];
        $this->reported = $isMended && $answer === Answer::Indicated ? Answer::Between : $answer;
    }

    /** G-2 and G-4: the four answers to one raw reading. */
    public function answers(Figure $raw, Exact|float|null $between, bool $unknownMoment = false): FourAnswers
    {
        $sensor = $this->undone->compareTo(Exact::of(1)) === 0
            ? $raw
            : Figure::derived(
                'r',
                $raw->meaning.', before what was applied to it',
                Real::by($raw->value, $this->undone),
                $this->of->channel->unit,
                GasEquation::Factor,
                [
                    $raw,
                    Figure::read(
                        'F',
                        'applied by the unit or by hand',
                        $this->undone,
                        CommonUnit::None,
                        new Origin('run', $this->run->id, 'as the unit was set'),
                        3,
                    ),
                ],
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
                [$sensor, $knot->zero, $knot->gain],
                self::digits($sensor->value),
            );
        $line = $this->evidence->line;
        $moved = fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $line->isConstant() => $pre,
            $between === null => $unknownMoment ? $this->atSomeMoment($sensor, $line) : null,
            default => Figure::derived(
                'c',
                $raw->meaning.', response along the bracket',
                $between,
                $this->of->channel->unit,
                GasEquation::Corrected,
                [$sensor, ...array_merge(...array_map(static fn (LinearKnot $knot): array => [$knot->zero, $knot->gain], $line->knots))],
                self::digits($between),
            ),
        };
        $answers = FourAnswers::along($sensor, $line->knots ?? [], $this->evidence->bracket, $by, $moved)->bounded($raw->known->bound);
        $unsaved = $this->evidence->unsaved === null ? null : $by($this->evidence->unsaved);

        return ($unsaved === null ? $answers : $answers->alsoBy($unsaved))->each($this->factored(...));
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
                GasEquation::Corrected,
                [$sensor, ...array_merge(...array_map(static fn (LinearKnot $knot): array => [$knot->zero, $knot->gain], $line->knots))],
                self::digits(max($values)),
            )->downTo(min($values));
    }

    private function factored(Figure $one): Figure
    {
        $factor = $this->factor->applied;

        return $factor === null
            ? $one
            : self::times(
                $one,
                $factor->value,
                Figure::derived(
                    'c',
                    $one->meaning.', as '.($this->of->set->known?->text('name') ?? 'vapour'),
                    Real::times($one->value, $factor->value),
                    $one->unit,
                    GasEquation::Factor,
                    [$one, $factor],
                    self::digits($one->value),
                ),
            );
    }

    /** An interval is told in the same way at both ends. */
    private static function times(Figure $was, Exact|float $by, Figure $now): Figure
    {
        return $was->known->floor === null ? $now : $now->downTo(Real::times($was->known->floor, $by));
    }

    /** G-4 by C-2: the same by mass; null where the molar mass of what was there is not known. */
    public function byMass(Figure $one): ?Figure
    {
        $molar = $this->of->molarMass();
        if ($molar === null || $this->factor->missing) {
            return null;
        }
        $volume = $this->conditions->molarVolume($this->of->air);
        $perPart = $molar->dividedBy($volume);
        $value = Real::times($one->value, $perPart);
        $inputs = [
            $one,
            Figure::read(
                'V_m',
                'molar volume at '.$this->conditions->name,
                $volume,
                CommonUnit::LitrePerMole,
                new Origin('criterion', $this->conditions->id, $this->conditions->volumeSource()),
                3,
            ),
            Figure::read(
                'M',
                'molar mass of '.$this->of->name(),
                $molar,
                CommonUnit::GramPerMole,
                new Origin('library', $this->of->code(), 'library of substances'),
                2,
            ),
        ];
        $told = Figure::derived(
            $one->symbol,
            $one->meaning.', by mass',
            $value,
            CommonUnit::MilligramPerCubicMetre,
            SharedEquation::PartsPerMillion,
            $inputs,
            self::digits($value),
        );

        return self::times($one, $perPart, $told)->bounded($one->known->bound);
    }

    /**
     * A result in the channel's unit, and in mg/m³ where its molar mass is known.
     *
     * @param list<string> $notes
     *
     * @return list<Result>
     */
    public function inUnits(
        string $key,
        string $title,
        FourAnswers $answers,
        GasEquation $by = GasEquation::Corrected,
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
     * @return list<Result>
     */
    public function mean(Figure $raw, Exact|float|null $between, Exact $minutes, Origin $origin): array
    {
        $mean = $this->answers($raw, $between);
        if (!$this->of->isToxic()) {
            return $this->inUnits('mean', 'Mean, ', $mean);
        }
        $eight = new EightHourMean($mean, $minutes, $this->run, $this->policy, $origin, GasEquation::Exposure, self::digits(...));

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

        return $range !== null && Real::compare(Real::by($read->value, $this->undone), $range->value) >= 0
            ? $read->bounded(Bound::AtLeast)
            : $read;
    }

    /**
     * @param list<string> $notes
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
        $shift = DriftLimit::of($this->of->channel, $setting)->most($label);
        $hidden = $this->factored(
            Figure::derived('r', 'hidden below zero', $shift, $this->of->channel->unit, GasEquation::Corrected, [], 2),
        );
        $reported = $result->reportedFigure();
        $hidden = $reported->unit === $this->of->channel->unit ? $hidden : $this->byMass($hidden);

        return $hidden === null ? $result : $result
            ->or('with its zero sunk as far as it may, unseen', $reported->of(Real::plus($reported->value, $hidden->value)))
            ->noting('The display shows nothing below zero: no drift of its zero can be seen.');
    }

    /** Three digits that count, and no more decimals than a monitor can tell. */
    public static function digits(Exact|float $value): int
    {
        return min(2, Digits::significant($value, 3));
    }
}
