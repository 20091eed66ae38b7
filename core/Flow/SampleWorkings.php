<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CommonRemark;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\LogAlterations;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\FlowKnot;
use Footnote\Core\Response\FlowLine;
use Footnote\Core\Response\Moments;

/** Works out one sample: volume by the four answers, volume at the reference conditions, concentration of each substance. */
final readonly class SampleWorkings
{
    /** Minutes of a short-term value; and from where to where a sample counts as of just that (own). */
    private const WINDOW = 15;
    private const SHORT = 14;
    private const LONG = 17;

    private ?FlowLine $line;

    private ReferenceConditions $conditions;

    private Answer $reported;

    /** @var list<Span> */
    private array $stretches;

    private AirSample $sample;

    public function __construct(
        private Run $run,
        private Bracket $bracket,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $this->sample = $run->content instanceof AirSample
            ? $run->content
            : new AirSample(
                $run->id,
                new Analysed(null, [], [], 0),
                null,
                null,
                new FieldReadings(new Air(null, null), null, []),
                false,
            );
        $this->line = (new FlowResponse($run, $timeline))->line($bracket);
        $this->conditions = self::conditions($yardsticks);
        $this->stretches = $run->runningSpans();
        $this->reported = $this->answer();
    }

    public static function conditions(Yardsticks $yardsticks): ReferenceConditions
    {
        foreach ($yardsticks->criteria as $criterion) {
            if ($criterion instanceof ReferenceConditions) {
                return $criterion;
            }
        }

        return ReferenceConditions::asSampled();
    }

    public function results(): SampleResults
    {
        $results = [];
        $volume = $this->stretches === [] ? FourAnswers::none() : $this->volume();
        if (!$volume->isEmpty()) {
            $air = $this->air();
            $moved = $this->movedByAir();
            $results[] = $this->moved($this->result('volume', 'Volume, as sampled', $volume, CommonUnit::Litre, null, true), $moved, true);
            $stated = $volume;
            if ($this->conditions->air !== null && $air !== null) {
                $stated = $this->at($volume, $air);
                $results[] = $this->moved(
                    $this->result('volume-ref', 'Volume at '.$this->conditions->name, $stated, CommonUnit::Litre, null, true),
                    $moved,
                    true,
                );
            }
            // A concentration is only stated at conditions that its volume could be brought to.
            if ($this->conditions->air === null || $air !== null) {
                foreach ($this->sample->analysed->analytes as $analyte) {
                    array_push(
                        $results,
                        ...array_map(
                            fn (Result $one): Result => $this->moved($one, $moved, false),
                            $this->concentrations($analyte, $stated, $air),
                        ),
                    );
                }
            }
        }
        $judge = new SampleLimits(
            $this->yardsticks,
            $this->sample,
            $this->line,
            FlowHistory::of(
                $this->timeline,
                $this->bracket->post->at ?? $this->run->timing->stop ?? $this->run->timing->start,
            )->largestDrift(),
        );

        $pre = $this->bracket->pre;

        return new SampleResults(
            new WorkedOut(
                array_map(fn (Result $result): Result => $judge->against($result, $this->bracket), $results),
                FlowResponse::drifts($this->line),
                // A filter has no stretches: what a person wanted out of it is in it.
                LogAlterations::notApplied($this->run),
            ),
            $this->sample,
            $this->timeline,
            $this->bracket,
            $this->conditions,
            new Drawn(
                $this->line,
                $this->stretches,
                $pre === null ? null : (new FlowResponse($this->run, $this->timeline))->curve($pre),
                $judge->largestEver,
            ),
        );
    }

    /** The policy's answer; where it lets a larger change of flow pass with the cautious volume, that one. */
    private function answer(): Answer
    {
        $change = $this->policy->rule('flow.change');
        if ($change !== null
            && $change->severity === Severity::Qualified
            && !$change->limit('change')->isKeptBySizes(FlowResponse::drifts($this->line))) {
            return Answer::Cautious;
        }

        return $this->policy->reportedAnswer('flow');
    }

    /** The air that the sample was drawn from; where nobody read it, that of the check before. */
    private function air(): ?Air
    {
        if ($this->sample->field->air->isKnown()) {
            return $this->sample->field->air;
        }
        $content = $this->bracket->pre?->content;

        return $content instanceof FlowCheck && $content->standard->air->isKnown() ? $content->standard->air : null;
    }

    /** Volumes in L: as the pump shows, by every check, and along the bracket. */
    private function volume(): FourAnswers
    {
        $time = $this->time();
        $by = static function (FlowKnot $knot) use ($time): Figure {
            $value = Real::times($knot->flow->value, $time->value);

            return Figure::derived(
                'V',
                \sprintf('volume, flow %s at %s held throughout', $knot->asLeft ? 'as left' : 'as found', $knot->check),
                $value,
                CommonUnit::Litre,
                FlowEquation::Volume,
                ['Q' => $knot->flow, 't' => $time],
                Digits::significant($value, 4),
            );
        };
        $line = $this->line;
        $between = function () use ($line): ?Figure {
            if ($line === null || \count($line->knots) < 2) {
                return null;
            }
            $value = $line->volume($this->stretches);
            $moments = new Moments($this->run);

            return Figure::derived(
                'V',
                'volume, flow interpolated',
                $value,
                CommonUnit::Litre,
                FlowEquation::VolumeAlongBracket,
                [
                    ...$moments->along($line->knots, ['t_i', 'Q_i'], static fn (FlowKnot $knot): array => [$knot->flow]),
                    ...$moments->stretches($this->stretches, $this->ran()),
                ],
                Digits::significant($value, 4),
            );
        };
        $displayed = $this->sample->field->displayed;
        $indicated = $displayed === null
            ? null
            : Figure::measured(
                'V',
                'volume the pump shows',
                $displayed,
                CommonUnit::Litre,
                new Origin('run', $this->run->id, 'read off the pump'),
                max(1, $displayed->value->decimals()),
            );

        return FourAnswers::along($indicated, $line->knots ?? [], $this->bracket, $by, $between);
    }

    private function at(FourAnswers $volume, Air $air): FourAnswers
    {
        $factor = $this->conditions->factor($air);
        $figures = [
            ...$air->inputs($this->airFrom()),
            ...($this->conditions->air?->inputs(new Origin('criterion', $this->conditions->id, $this->conditions->name), '_ref') ?? []),
        ];

        return $volume->each(static function (Figure $one) use ($factor, $figures): Figure {
            $value = Real::times($one->value, $factor);

            return Figure::derived(
                'V_ref',
                $one->meaning.', at the reference conditions',
                $value,
                CommonUnit::Litre,
                FlowEquation::VolumeAtReference,
                ['V' => $one, ...$figures],
                Digits::significant($value, 4),
            );
        });
    }

    /** @return list<Result> */
    private function concentrations(AnalyteResult $analyte, FourAnswers $volume, ?Air $air): array
    {
        $mass = $analyte->mass;
        $symbol = 'c';
        $meaning = 'concentration of '.$analyte->name();
        $mass3 = $volume->each(static function (Figure $one) use ($mass, $symbol, $meaning): ?Figure {
            if (Real::compare($one->value, Exact::zero()) <= 0) {
                return null;
            }
            $value = Real::by($mass->value, $one->value);

            return Figure::derived(
                $symbol,
                $meaning.', '.$one->meaning,
                $value,
                CommonUnit::MilligramPerCubicMetre,
                FlowEquation::Concentration,
                ['m' => $mass, 'V' => $one],
                Digits::significant($value, 3),
            )->downAs($mass, static fn (Exact|float $floor): Exact|float => Real::by($floor, $one->value));
        });
        if ($mass3->isEmpty()) {
            return [];
        }
        $kind = $this->sample->shortTerm ? 'stel' : 'conc';
        $name = $this->sample->shortTerm ? 'Short-term, ' : 'Concentration, ';
        $results = [
            $this->concentration($kind.':'.$analyte->analyte, $name.$analyte->name(), $mass3, CommonUnit::MilligramPerCubicMetre, $analyte),
        ];
        $ppm = $this->conditions->air !== null || $air !== null
            ? $mass3->each(fn (Figure $one): ?Figure => self::ppm($one, $analyte, $this->conditions, $air, $this->airFrom()))
            : FourAnswers::none();
        if (!$ppm->isEmpty()) {
            $results[] = $this->concentration(
                $kind.'-ppm:'.$analyte->analyte,
                $name.$analyte->name(),
                $ppm,
                CommonUnit::PartsPerMillion,
                $analyte,
            );
        }

        return $results;
    }

    /** With what else the laboratory's numbers may mean, and what a short sample says of a quarter of an hour. */
    private function concentration(string $key, string $title, FourAnswers $answers, Unit $unit, AnalyteResult $analyte): Result
    {
        $result = $this->result($key, $title, $answers, $unit, $analyte->analyte);
        $result = $analyte->isBelowZero ? $result->doubting('its mass lies below zero') : $result;
        $mass = $analyte->mass;
        foreach ([$analyte->least, $analyte->most] as $other) {
            if ($other !== null && !Real::isZero($mass->value)) {
                $told = $result->reportedFigure();
                $by = static fn (Exact|float $one): Exact|float => Real::times($told->value, Real::by($one, $mass->value));
                $result = $result->or($other->meaning, Figure::derived(
                    $told->symbol,
                    $told->meaning.', '.$other->meaning,
                    $by($other->value),
                    $told->unit,
                    FlowEquation::OtherMass,
                    ['c_told' => $told, 'm_other' => $other, 'm' => $mass],
                    $told->decimals,
                )->downAs($other, $by));
            }
        }

        return $this->sample->shortTerm ? $this->ofQuarterHour($result) : $result;
    }

    /**
     * FC-B5: what a sample says of the highest fifteen minutes in it. A longer one bounds them; of a shorter one the rest may
     * have been nothing, or the same.
     */
    private function ofQuarterHour(Result $result): Result
    {
        $minutes = $this->minutes();
        $share = $minutes->dividedBy(Exact::of(self::WINDOW));
        $figure = $result->reportedFigure();
        $time = $this->time();
        $times = static fn (Exact $by, FlowEquation $equation): Figure => Figure::derived(
            'c₁₅',
            $figure->meaning.', over 15 min',
            Real::times($figure->value, $by),
            $figure->unit,
            $equation,
            ['c' => $figure, 't' => $time],
            $figure->decimals,
        )->downAs($figure, static fn (Exact|float $floor): Exact|float => Real::times($floor, $by));
        if ($minutes->compareTo(Exact::of(self::SHORT)) < 0) {
            return $result->or('with the rest of 15 min as nothing', $times($share, FlowEquation::HighestQuarterHour))->noting(
                \sprintf('Of 15 min it sampled %s; the rest may have been nothing, or the same.', $minutes->rounded(0)),
            );
        }
        if ($minutes->compareTo(Exact::of(self::LONG)) <= 0) {
            return $result;
        }
        $windows = Exact::of((int) ceil($share->toFloat() - 1e-9));

        return $result
            ->or('at the least that its highest 15 min can have been', $times($share->dividedBy($windows), FlowEquation::LeastQuarterHour))
            ->or('at the most that its highest 15 min can have been', $times($share, FlowEquation::HighestQuarterHour))
            ->noting(\sprintf('It is a mean of %s min, and bounds its highest 15 min only.', $minutes->rounded(0)));
    }

    /** How long it drew, as a figure. */
    private function time(): Figure
    {
        return (new Moments($this->run))->time($this->stretches, $this->ran(), decimals: 1);
    }

    private function ran(): string
    {
        return $this->run->timing->timerMinutes !== null && $this->run->has(CommonRemark::StoppedByItself)
            ? 'by the pump\'s own timer, since it stopped by itself'
            : 'start to stop, less pauses';
    }

    private function airFrom(): Origin
    {
        return $this->sample->field->air->isKnown() || $this->bracket->pre === null
            ? new Origin('run', $this->run->id, 'in the field')
            : $this->bracket->pre->origin('not read in the field: that of the check before');
    }

    /** How long it drew, min. */
    private function minutes(): Exact
    {
        return array_reduce(
            $this->stretches,
            static fn (Exact $sum, Span $stretch): Exact => $sum->plus(FlowLine::seconds($stretch->from, $stretch->to)->dividedBy(60)),
            Exact::zero(),
        );
    }

    /**
     * FC-E8: what the flow of a pump that does not compensate may have been in the field over that at its checks; null where
     * the air was alike.
     */
    private function movedByAir(): ?Check
    {
        $setting = $this->policy->rule('flow.air-changed');
        if ($setting === null
            || $this->timeline->instrument->traits->text('flowControl') !== FlowFormat::UNCOMPENSATED
            || !$this->sample->field->air->isKnown()) {
            return null;
        }
        $field = $this->sample->field->air;
        foreach ($this->bracket->checks() as $check) {
            $bench = $check->content instanceof FlowCheck ? $check->content->standard->air : null;
            if ($bench?->isKnown() !== true) {
                continue;
            }
            $isWarmAlike = $setting->limit('temperature')->isKeptBySize($field->kelvin()->minus($bench->kelvin()));
            $isDenseAlike = $setting->limit('pressure')->isKeptBySize($field->kilopascal()->minus($bench->kilopascal()));
            if (!$isWarmAlike || !$isDenseAlike) {
                return $check;
            }
        }

        return null;
    }

    /**
     * @param Check|null $check    whose air was another one
     * @param bool       $isVolume else a concentration, which falls as its volume grows
     */
    private function moved(Result $result, ?Check $check, bool $isVolume): Result
    {
        $bench = $check?->content instanceof FlowCheck ? $check->content->standard->air : null;
        if ($check === null || $bench === null) {
            return $result;
        }
        $field = $this->sample->field->air;
        $ratio = $bench->kilopascal()->dividedBy($field->kilopascal())->times($field->kelvin()->dividedBy($bench->kelvin()));
        $told = $result->reportedFigure();
        $by = $isVolume ? $ratio : Exact::of(1)->dividedBy($ratio);

        return $result->or('with the mass of its flow held instead of its volume', Figure::derived(
            $told->symbol,
            $told->meaning.', with the mass of its flow held',
            Real::times($told->value, $by),
            $told->unit,
            $isVolume ? FlowEquation::VolumeByMass : FlowEquation::ConcentrationByMass,
            [
                $isVolume ? 'V' : 'c' => $told,
                ...$field->inputs($this->airFrom()),
                ...$bench->inputs(new Origin('check', $check->id, 'at the check'), '_cal'),
            ],
            $told->decimals,
        )->downAs($told, static fn (Exact|float $floor): Exact|float => Real::times($floor, $by)));
    }

    /** C-2; null for what has no molar mass. */
    public static function ppm(
        Figure $concentration,
        AnalyteResult $analyte,
        ReferenceConditions $conditions,
        ?Air $air,
        Origin $read,
    ): ?Figure {
        $molar = $analyte->molarMass();
        if ($molar === null || ($conditions->air === null && $air === null)) {
            return null;
        }
        $volume = $conditions->molarVolume($air ?? new Air(null, null), $read);
        $factor = Real::by($volume->value, $molar->value);
        $value = Real::times($concentration->value, $factor);

        return Figure::derived(
            $concentration->symbol,
            $concentration->meaning.', by volume',
            $value,
            CommonUnit::PartsPerMillion,
            SharedEquation::PartsPerMillion,
            [
                'c' => $concentration,
                'V_m' => $volume,
                'M' => Figure::read(
                    'M',
                    'molar mass of '.$analyte->name(),
                    $molar->value,
                    CommonUnit::GramPerMole,
                    new Origin('library', $analyte->analyte, $analyte->substance?->text('source') ?? 'library of substances'),
                    $molar->decimals(),
                ),
            ],
            Digits::significant($value, 3),
        )->downAs($concentration, static fn (Exact|float $floor): Exact|float => Real::times($floor, $factor));
    }

    private function result(
        string $key,
        string $title,
        FourAnswers $answers,
        Unit $unit,
        ?string $channel,
        bool $worstIsLow = false,
    ): Result {
        $notes = $unit === CommonUnit::Litre ? [] : [$this->conditions->stated()];

        // What a pump shows of its volume is its own sum, and no reading of what was there.
        return Result::of($key, $title, $this->reported, $answers, $notes, $channel, $worstIsLow)->notPlain();
    }
}
