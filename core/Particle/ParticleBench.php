<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckHistory;
use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
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
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Statistics\Poisson;

/** What the bench says while a counter or a dust monitor is checked. */
final readonly class ParticleBench implements BenchGuide
{
    public function choices(Instrument $unit, array $references, \DateTimeImmutable $on): array
    {
        $choices = [];
        foreach ($references as $reference) {
            if ($reference->kind === ParticleFormat::STANDARD) {
                $low = $reference->traits->measured('rangeLow');
                $high = $reference->traits->measured('rangeHigh');
                $choices[] = new ReferenceChoice(
                    $reference,
                    $low === null || $high === null ? 'range not known' : \sprintf('%s to %s', $low->words(), $high->words()),
                    [],
                    ReferenceChoice::problemsOf($reference, $on),
                );
            }
        }

        return $choices;
    }

    public function fields(Step $step, Instrument $unit, ?Reference $reference): array
    {
        $section = new Section(ParticleFormat::entries());

        return match ($step->id) {
            ParticleProcedures::CELL => $section->pick('cell', 'laser', 'cellLeft', 'cellAdjusted'),
            ParticleProcedures::BLANK => [$section->one('blankMinutes')->needed()],
            ParticleProcedures::PERIOD_SHORT => ParticleFormat::periodEntries(),
            // Who walks this step has spheres; a check without them names none.
            ParticleProcedures::SPHERES => [
                $section->one('lot')->needed(),
                ...$section->pick('threshold', 'spike', 'jug', 'observed'),
            ],
            default => [],
        };
    }

    public function columns(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        if ($step->kind !== StepKind::Readings) {
            return [];
        }
        $sizes = ParticleUnit::sizes($unit);

        return match ($step->id) {
            ParticleProcedures::BLANK => [
                Entry::choice(
                    'size',
                    'From',
                    array_combine($sizes, array_map(static fn (string $size): string => $size.' µm', $sizes)),
                    true,
                ),
                ParticleFormat::counts(),
            ],
            ParticleProcedures::ZERO_FOUND,
            ParticleProcedures::ZERO_LEFT => [ParticleFormat::shows()],
            default => ParticleFormat::flowColumns(),
        };
    }

    public function presets(Step $step, Instrument $unit, ?Reference $reference = null, string $setting = ''): array
    {
        return $step->id === ParticleProcedures::BLANK
            ? array_map(static fn (string $size): array => ['size' => $size], ParticleUnit::sizes($unit))
            : [];
    }

    public function feeds(Step $step, Instrument $unit, ?Reference $reference, string $setting = ''): array
    {
        return ParticleFeeds::at($step, $unit);
    }

    public function live(Check $check, Timeline $timeline, Policy $policy): LiveSheet
    {
        $content = $check->content;
        if (!$content instanceof ParticleCheck) {
            return new LiveSheet([]);
        }
        $response = new ParticleResponse();
        $nominal = $timeline->instrument->traits->measured('nominalFlow')?->in(CommonUnit::LitrePerMinute);
        $lines = [];
        $questions = [];
        foreach (['flowFound' => 'as found', 'flowLeft' => 'as left'] as $list => $when) {
            $flow = $response->flow($content->rows($list), $when, $check, $timeline);
            if ($flow === null || $nominal === null || $nominal->isZero()) {
                continue;
            }
            $limit = $policy->limit('particle.flow-nominal', 'deviation');
            $off = Real::by(Real::times(Real::minus($flow->value, $nominal), Exact::of(100)), $nominal);
            $lines[] = new LiveLine('flow '.$when, $flow);
            $lines[] = new LiveLine(
                'off nominal '.$when,
                Figure::derived(
                    'δ',
                    'off the nominal flow',
                    $off,
                    CommonUnit::Percent,
                    SharedEquation::Change,
                    [
                        'Q_post' => $flow,
                        'Q_pre' => Figure::read(
                            'Q',
                            'nominal flow',
                            $nominal,
                            CommonUnit::LitrePerMinute,
                            new Origin('instrument', $timeline->instrument->id, 'as registered'),
                            4,
                        ),
                    ],
                    1,
                ),
                $limit?->isKeptBy($off instanceof Exact ? $off->absolute() : abs($off)),
                $limit?->words() ?? '',
                true,
            );
            if (abs(Real::toFloat($off)) > 50.0) {
                $questions[] = \sprintf('The flow %s is %s L/min where %s is nominal. Is its unit right?', $when, $flow->shown(), $nominal);
            }
        }
        $mark = $nominal === null
            ? null
            : self::mark(
                [...$content->rows('flowFound'), ...$content->rows('flowLeft')],
                $nominal->toFloat(),
                $response,
                $check,
                $timeline,
            );
        if ($mark !== null) {
            $lines[] = new LiveLine(
                'mark for the nominal flow',
                Figure::read(
                    'm',
                    'mark of the float',
                    $mark,
                    CommonUnit::None,
                    new Origin('check', $check->id, 'between the marks that were tried'),
                    2,
                ),
            );
        }
        $minutes = $content->written->decimal('blankMinutes');
        foreach ($content->rows('blankFound') as $row) {
            $counts = (int) ($row->decimal('value')->written ?? '0');
            if ($minutes !== null && !$minutes->value->isZero()) {
                $lines[] = new LiveLine(
                    \sprintf('clean from %s µm, at most', $row->text('size') ?? '?'),
                    Figure::derived(
                        'b',
                        'upper 95 % limit of the background',
                        Poisson::upper($counts) / $minutes->value->toFloat(),
                        CountUnit::PerMinute,
                        ParticleEquation::BackgroundAtMost,
                        [
                            'B' => Figure::read(
                                'B',
                                'counts in clean air',
                                Exact::of($counts),
                                CommonUnit::None,
                                new Origin('check', $check->id, 'clean'),
                                0,
                            ),
                            't' => Figure::read(
                                't',
                                'minutes counted',
                                $minutes->value,
                                CommonUnit::Minute,
                                new Origin('check', $check->id, 'clean'),
                                $minutes->decimals(),
                            ),
                        ],
                        2,
                    ),
                );
            }
        }
        $lot = $timeline->reference($content->written->text('lot') ?? '');
        if ($lot !== null) {
            [$more, $asked] = $this->spheres($content, new Spheres($lot), $check, $policy);
            array_push($lines, ...$more);
            array_push($questions, ...$asked);
        }

        return new LiveSheet($lines, $questions);
    }

    /** @return array{list<LiveLine>, list<string>} */
    private function spheres(ParticleCheck $content, Spheres $lot, Check $check, Policy $policy): array
    {
        $lines = [];
        $questions = array_map(
            static fn (string $problem): string => $lot->reference->id.': '.lcfirst($problem),
            ReferenceChoice::problemsOf($lot->reference, $check->at),
        );
        $spike = $content->written->measured('spike');
        $jug = $content->written->measured('jug');
        $observed = $content->written->decimal('observed');
        $threshold = $content->written->decimal('threshold');
        $certified = $lot->diameter($check->at);
        $expected = $spike === null || $jug === null ? null : $lot->diluted($spike, $jug, $check->at);
        if ($expected !== null) {
            $lines[] = new LiveLine('expected per mL', $expected);
            if ($observed !== null && $expected->toFloat() > 0.0) {
                $lines[] = new LiveLine(
                    'recovered',
                    Figure::derived(
                        'R',
                        'recovery',
                        100 * $observed->value->toFloat() / $expected->toFloat(),
                        CommonUnit::Percent,
                        ParticleEquation::Recovery,
                        [
                            'N_obs' => Figure::read(
                                'N',
                                'count that was observed',
                                $observed->value,
                                CountUnit::PerCubicCentimetre,
                                new Origin('check', $check->id, 'as typed'),
                                $observed->decimals(),
                            ),
                            'N_exp' => $expected,
                        ],
                        0,
                    ),
                );
            }
        } elseif ($jug !== null && $observed !== null && $spike === null) {
            $lines[] = new LiveLine('suspension for that count', $lot->spikeFor($observed, $jug, $check->at));
        }
        if ($threshold !== null && $certified !== null && !$certified->value->isZero()) {
            $error = $threshold->value->minus($certified->value)->times(100)->dividedBy($certified->value);
            $limit = $policy->limit('particle.size-setting', 'error');
            $lines[] = new LiveLine(
                'size setting off',
                Figure::derived(
                    'e',
                    'error of the size setting',
                    $error,
                    CommonUnit::Percent,
                    ParticleEquation::SizeSetting,
                    [
                        'd_set' => Figure::read(
                            'd',
                            'half-count point',
                            $threshold->value,
                            CommonUnit::Micrometre,
                            new Origin('check', $check->id, 'as typed'),
                            $threshold->decimals(),
                        ),
                        'd_cert' => Figure::read(
                            'd',
                            'certified diameter',
                            $certified->value,
                            CommonUnit::Micrometre,
                            new Origin('reference', $lot->reference->id, 'by its certificate'),
                            $certified->decimals(),
                        ),
                    ],
                    1,
                ),
                $limit?->isKeptBy($error->absolute()),
                $limit?->words() ?? '',
                true,
            );
        }

        return [$lines, $questions];
    }

    /**
     * The mark that gives the wanted flow, on a straight line between the two marks around it; null where none lie around it.
     *
     * @param list<Traits> $rows
     */
    private static function mark(array $rows, float $wanted, ParticleResponse $response, Check $check, Timeline $timeline): ?float
    {
        $tried = [];
        foreach ($rows as $row) {
            $flow = $response->flow([$row], '', $check, $timeline);
            if ($row->decimal('mark') !== null && $flow !== null) {
                $tried[] = [$flow->toFloat(), $row->decimal('mark')->value->toFloat()];
            }
        }
        usort($tried, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        for ($i = 1; $i < \count($tried); ++$i) {
            [[$q0, $m0], [$q1, $m1]] = [$tried[$i - 1], $tried[$i]];
            if ($q0 <= $wanted && $wanted <= $q1 && $q1 > $q0) {
                return $m0 + ($m1 - $m0) * ($wanted - $q0) / ($q1 - $q0);
            }
        }

        return null;
    }

    public function history(Timeline $timeline, \DateTimeImmutable $until): UnitHistory
    {
        return new UnitHistory(self::reading()->points($timeline, $until), CommonUnit::LitrePerMinute, CommonUnit::Percent, 'flow');
    }

    /** @return CheckHistory<float> flows in L/min, drift in percent */
    private static function reading(): CheckHistory
    {
        $response = new ParticleResponse();

        return new CheckHistory(
            new ParticleUsability(),
            'flow',
            static fn (Check $check): bool => $check->content instanceof ParticleCheck,
            static fn (Check $check, Timeline $timeline): array => [
                $response->asFound($check, $timeline)?->flow->toFloat(),
                $response->asLeft($check, $timeline)?->flow->toFloat(),
            ],
            static fn (float $left, float $found): ?float => $left <= 0.0 ? null : 100 * ($found - $left) / $left,
            static fn (float $flow): float => $flow,
        );
    }

    public function lastPoint(Timeline $timeline, \DateTimeImmutable $until): ?HistoryPoint
    {
        return self::reading()->last($timeline, $until);
    }

    public function actionLimit(Policy $policy): ?Limit
    {
        // Its flow is what it is set for, another on another day.
        return null;
    }

    public function sharedShift(): ShiftScale
    {
        return new ShiftScale(1.0, 2.0, CommonUnit::Percent);
    }
}
