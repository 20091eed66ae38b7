<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ConditionsMissing;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Flow\Standard\DirectReading;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Flow\Standard\TransferOrifice;
use Footnote\Core\Flow\Standard\UnreadableFlow;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\LiveLine;
use Footnote\Core\Judgement\LiveSheet;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\ReferenceChoice;
use Footnote\Core\Judgement\ShiftScale;
use Footnote\Core\Judgement\UnitHistory;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\Section;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Statistics\SlopeIsZero;
use Footnote\Core\Statistics\TooFewPoints;

/** What the bench says while a flow standard is at a pump or a sampler. */
final readonly class FlowBench implements BenchGuide
{
    /** When a standard flow looks as if it had been taken for the actual one: how near the design flow it lies, %. */
    private const NEAR = 5.0;

    public function choices(Instrument $unit, array $references, \DateTimeImmutable $on): array
    {
        $choices = [];
        $titles = [];
        foreach (FlowStandards::kinds() as $kind) {
            $titles[$kind->id] = $kind->title;
        }
        foreach ($references as $reference) {
            if (!\in_array($reference->kind, FlowStandards::KINDS, true)) {
                continue;
            }
            $problems = ReferenceChoice::problemsOf($reference, $on);
            $throats = array_values(
                array_filter(
                    $reference->traits->rows('throats'),
                    static fn (Traits $throat): bool => self::meets($unit, $throat->measured('low'), $throat->measured('high')),
                ),
            );
            // A reading outside its range is no reading: what cannot tell this unit's flows is not offered.
            if (!self::meets($unit, $reference->traits->measured('rangeLow'), $reference->traits->measured('rangeHigh'))
                || ($throats === [] && $reference->traits->rows('throats') !== [])) {
                continue;
            }
            $settings = array_map(
                static fn (Traits $throat): array => [
                    'value' => $throat->text('name') ?? '',
                    'words' => \sprintf(
                        'throat %s, %s to %s',
                        $throat->text('name') ?? '',
                        $throat->measured('low')?->words() ?? '?',
                        $throat->measured('high')?->words() ?? '?',
                    ),
                ],
                $throats,
            );
            $low = $reference->traits->measured('rangeLow');
            $high = $reference->traits->measured('rangeHigh');
            $about = lcfirst(
                $titles[$reference->kind] ?? $reference->kind,
            ).($low === null || $high === null ? '' : \sprintf(', %s to %s', $low->words(), $high->words()));
            if ($reference->kind === FlowStandards::MASS_FLOW) {
                $about .= \sprintf(
                    ', shows standard flow at %s and %s',
                    $reference->traits->measured('statedTemperature')?->words() ?? '?',
                    $reference->traits->measured('statedPressure')?->words() ?? '?',
                );
            }
            $choices[] = new ReferenceChoice($reference, $about, $settings, $problems);
        }

        return $choices;
    }

    /** Whether a flow of the unit lies in a range; so it does where one of the two is not known. */
    private static function meets(Instrument $unit, ?Measured $low, ?Measured $high): bool
    {
        $under = static fn (?Measured $one, ?Measured $other): bool => $one !== null
            && $other !== null
            && $one->in(CommonUnit::LitrePerMinute)->compareTo($other->in(CommonUnit::LitrePerMinute)) < 0;

        return !$under($high, $unit->traits->measured('rangeLow')) && !$under($unit->traits->measured('rangeHigh'), $low);
    }

    public function fields(Step $step, Instrument $unit, ?Reference $reference): array
    {
        $section = new Section(FlowFormat::entries());

        return match ($step->id) {
            FlowProcedures::MEDIUM => [$section->one('medium')->needed(), $section->one('target')],
            FlowProcedures::LEAK => LeakTest::entries(),
            FlowProcedures::CONDITIONS => [
                ...Air::entries(),
                ...$section->pick('thermometer', 'barometer'),
                ...self::ofStandard($section, $reference),
            ],
            FlowProcedures::STANDARD => self::ofStandard($section, $reference),
            FlowProcedures::UNIT_TEMPERATURE => [
                $section->one('unitTemperature')->called('The sampler shows')->needed(),
                $section->one('temperature')->called('The thermometer shows')->needed(),
                $section->one('thermometer'),
                $section->one('unitTemperatureLeft')->called('The sampler after adjusting'),
            ],
            FlowProcedures::UNIT_PRESSURE => [
                $section->one('unitPressure')->called('The sampler shows')->needed(),
                $section->one('pressure')->called('The barometer shows')->needed(),
                $section->one('barometer'),
                $section->one('unitPressureLeft')->called('The sampler after adjusting'),
            ],
            default => [],
        };
    }

    /** @return non-empty-list<Entry> what a kind of standard wants noted beside its readings, and whether anything flowed */
    private static function ofStandard(Section $section, ?Reference $reference): array
    {
        return [
            ...match ($reference?->kind) {
                FlowStandards::SOAP_FILM => $section->pick('humidity'),
                FlowStandards::ROTAMETER => [$section->one('floatRead')->needed()],
                FlowStandards::ORIFICE => $section->pick('restLeft', 'restRight', 'gravity'),
                default => [],
            },
            $section->one('standstill'),
        ];
    }

    public function columns(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        if ($step->kind !== StepKind::Readings) {
            return [];
        }
        $none = ['left' => null, 'right' => null, 'gravity' => null];
        $standard = $reference === null
            ? null
            : FlowStandards::of(
                $reference,
                new \DateTimeImmutable('2999-01-01'),
                $reference->traits->rows('throats') === [] ? '' : ($reference->traits->rows('throats')[0]->text('name') ?? ''),
                $none,
            );
        $columns = $standard?->columns() ?? [Entry::decimal('value', 'Reading', '0', '1000000', CommonUnit::LitrePerMinute, true)];

        return match ($unit->traits->text('kind')) {
            FlowFormat::FIXED => [
                ...$columns,
                Entry::measured('target', 'Set-point', FlowRow::FLOWS),
                Entry::measured('display', 'Sampler shows', FlowRow::FLOWS),
            ],
            FlowFormat::GAUGE => [
                ...$columns,
                Entry::decimal('gauge', 'Sampler\'s gauge', '0', '1000000', required: $step->id === FlowProcedures::POINTS),
            ],
            default => $columns,
        };
    }

    public function presets(Step $step, Instrument $unit, ?Reference $reference = null, string $setting = ''): array
    {
        return [];
    }

    public function feeds(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        return FlowFeeds::at($step, $this->columns($step, $unit, $reference, $setting));
    }

    public function live(Check $check, Timeline $timeline, Policy $policy): LiveSheet
    {
        $content = $check->content;
        if (!$content instanceof FlowCheck) {
            return new LiveSheet([]);
        }
        $lines = [];
        $leak = $content->leak?->question($timeline->instrument->traits, $policy->limit('flow.leak', 'decay'));
        $questions = [...$content->standard->air->questions(), ...($leak === null ? [] : [$leak])];
        try {
            if ($content->readings->points !== []) {
                return new LiveSheet($this->curve(GaugeCurve::of($check, $content, $timeline), $policy), $questions);
            }
            $found = FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $timeline);
            $left = FlowMeasurement::of($content->readings->asLeft, 'as left', $check, $content, $timeline);
        } catch (UnreadableFlow|ConditionsMissing|TooFewPoints|SlopeIsZero $problem) {
            return new LiveSheet(
                [],
                [...$questions, ucfirst(rtrim($problem->getMessage(), '.')).'. As it stands this check is no evidence.'],
            );
        }
        if ($found === null && $content->readings->asFound !== []) {
            $questions[] = 'No set-point that was read lies within 1 % of the flow it is set for. Which is the working one?';
        }
        foreach (['as found' => $found, 'as left' => $left] as $when => $measured) {
            if ($measured === null) {
                continue;
            }
            if ($measured->below !== null) {
                $questions[] = \sprintf(
                    '%s %s. Has the pump lost its flow, or is the standard the wrong one?',
                    ucfirst($when),
                    $measured->below,
                );
            }
            $lines[] = new LiveLine('flow '.$when, $measured->mean);
            $lines[] = $this->against('spread', $measured->spread, $policy, 'flow.replicates', 'spread');
            if ($content->target !== null && !$content->target->value->value->isZero()) {
                $design = Figure::measured(
                    'Q_d',
                    'flow it is set for',
                    $content->target,
                    CommonUnit::LitrePerMinute,
                    new Origin('check', $check->id, 'as written'),
                    3,
                );
                $lines[] = $this->against(
                    'from the flow it is set for',
                    FlowChange::between($design, $measured->mean, 'deviation'),
                    $policy,
                    'flow.design',
                    'deviation',
                );
                $questions = [...$questions, ...$this->confused($measured, $design, $check, $content, $timeline)];
            }
        }
        $previous = $this->previous($check, $timeline);
        if ($previous !== null && $found !== null) {
            $lines[] = $this->against(
                'change since '.$previous[0],
                FlowChange::between($previous[1], $found->mean, 'change'),
                $policy,
                'flow.change',
                'change',
            );
        }

        return new LiveSheet($lines, $questions);
    }

    public function history(Timeline $timeline, \DateTimeImmutable $until): UnitHistory
    {
        return new UnitHistory(FlowFold::reading()->points($timeline, $until), CommonUnit::LitrePerMinute, CommonUnit::Percent, 'flow');
    }

    public function lastPoint(Timeline $timeline, \DateTimeImmutable $until): ?HistoryPoint
    {
        return FlowFold::reading()->last($timeline, $until);
    }

    public function actionLimit(Policy $policy): ?Limit
    {
        // Its flow is what it is set for, another on another day.
        return null;
    }

    public function sharedShift(): ShiftScale
    {
        // Replicates of a pump lie within one percent of each other.
        return new ShiftScale(1.0, 1.5, CommonUnit::Percent);
    }

    private function against(string $label, Figure $figure, Policy $policy, string $rule, string $name): LiveLine
    {
        $limit = $policy->limit($rule, $name);

        return new LiveLine($label, $figure, $limit?->isKeptBySize($figure->value), $limit?->words() ?? '', $label !== 'spread');
    }

    /** @return list<LiveLine> */
    private function curve(GaugeCurve $curve, Policy $policy): array
    {
        $limit = $policy->limit('flow.correlation', 'correlation');
        $lines = [
            new LiveLine('slope', $curve->slope),
            new LiveLine('intercept', $curve->intercept),
            new LiveLine('correlation r', $curve->correlation, $limit?->isKeptBy($curve->correlation->toFloat()), $limit?->words() ?? ''),
        ];
        foreach ($curve->points as $place => $point) {
            $lines[] = new LiveLine(\sprintf('point %d, off the line', $place + 1), $point['residual'], signed: true);
        }

        return $lines;
    }

    /**
     * A meter of standard flow whose reading lies at the design flow while the actual flow does not: which of the two was
     * it set by?
     *
     * @return list<string>
     */
    private function confused(FlowMeasurement $measured, Figure $design, Check $check, FlowCheck $content, Timeline $timeline): array
    {
        $standard = FlowMeasurement::standard($check, $content, $timeline);
        if ($standard->basis() === 'actual' || (!$standard instanceof DirectReading && !$standard instanceof TransferOrifice)) {
            return [];
        }
        $read = $measured->flows[0]->from->inputs['Q_std'] ?? null;
        $off = static fn (Figure $flow): float => abs(100 * ($flow->toFloat() - $design->toFloat()) / $design->toFloat());
        if ($read === null
            || $read->unit !== CommonUnit::LitrePerMinute
            || $off($read) > self::NEAR
            || $off($measured->mean) <= self::NEAR) {
            return [];
        }

        return [
            \sprintf(
                '%s shows a %s flow: %s L/min there are %s L/min of the air it draws. Was it set by the wrong one of the two?',
                $check->reference ?? 'The standard',
                $standard->basis(),
                $read->shown(),
                $measured->mean->shown(),
            ),
        ];
    }

    /** @return array{string, Figure}|null the check before, and the flow it left */
    private function previous(Check $check, Timeline $timeline): ?array
    {
        $usability = new FlowUsability();
        foreach ($timeline->checksUntil($check->at) as $earlier) {
            $content = $earlier->content;
            if ($earlier->at >= $check->at
                || $earlier->id === $check->id
                || !$content instanceof FlowCheck
                || $content->readings->points !== []) {
                continue;
            }
            if ($usability->whyUnusable($earlier, $timeline) !== []) {
                if ($content->readings->adjusted) {
                    return null;
                }
                continue;
            }
            $left = FlowMeasurement::of(
                $content->readings->adjusted ? $content->readings->asLeft : $content->readings->asFound,
                'as left',
                $earlier,
                $content,
                $timeline,
            )?->mean;

            return $left === null || Real::isZero($left->value) ? null : [$earlier->id, $left];
        }

        return null;
    }
}
