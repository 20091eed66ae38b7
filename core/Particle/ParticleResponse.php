<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;
use Footnote\Core\Response\KnotsAlong;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;
use Footnote\Core\Response\RecallError;

/** What checks say of a counter: its flow, and what clean air gives. Of a dust monitor the zero stands in the background's place. */
final readonly class ParticleResponse
{
    public function asFound(Check $check, Timeline $timeline): ?CountingKnot
    {
        $content = $check->content;

        return $content instanceof ParticleCheck && $content->hasAsFound() ? $this->knot($check, $content, $timeline, false) : null;
    }

    public function asLeft(Check $check, Timeline $timeline): ?CountingKnot
    {
        $content = $check->content;

        return $content instanceof ParticleCheck && ($content->hasAsFound() || $content->wasAdjusted())
            ? $this->knot($check, $content, $timeline, true)
            : null;
    }

    /** Along a bracket; null where no check shows anything. */
    public function line(Bracket $bracket, Timeline $timeline): ?CountingLine
    {
        $knots = KnotsAlong::of(
            $bracket,
            fn (Check $check): ?CountingKnot => $this->asFound($check, $timeline),
            fn (Check $check): ?CountingKnot => $this->asLeft($check, $timeline),
        );

        if ($knots === []) {
            return null;
        }
        foreach (self::rezeroed($bracket, $timeline) as $event) {
            $assumed = static fn (Exact|float $value, string $words): Figure => Figure::read(
                'z',
                $words,
                $value,
                CommonUnit::MilligramPerCubicMetre,
                new Origin('assumption', $event->id, 'zeroed on '.$event->at->format('j M H:i')),
                3,
            );
            $last = \count($knots) - 1;
            if ($event->at <= $bracket->start() && $knots[0]->asLeft) {
                $knots[0] = $knots[0]->withBackground(ParticleFormat::DUST, $assumed(Exact::zero(), 'zero, set anew after the check'));
            } elseif ($last > 0) {
                $knots[$last] = $knots[$last]->withBackground(
                    ParticleFormat::DUST,
                    $assumed(
                        ($knots[0]->background[ParticleFormat::DUST] ?? null)->value ?? Exact::zero(),
                        'zero, held: it was set anew before it was read',
                    ),
                );
            }
        }

        return new CountingLine($knots);
    }

    /**
     * Zeros of a dust monitor that were set between both ends: they break its zero and keep its flow.
     *
     * @return list<Intervention>
     */
    public static function rezeroed(Bracket $bracket, Timeline $timeline): array
    {
        return $timeline->instrument->traits->text('kind') === ParticleUnit::PHOTOMETER
            ? $bracket->done(ParticleIntervention::Rezeroed, $timeline)
            : [];
    }

    /**
     * F-6: the change of flow up to each reading as found since its segment began, in % of the flow as left.
     *
     * @return list<Figure>
     */
    public function drifts(?CountingLine $line): array
    {
        $drifts = [];
        foreach (KnotsAlong::segments($line->knots ?? []) as [$began, $found]) {
            if (!Real::isZero($began->flow->value)) {
                $change = Real::by(Real::times(Real::minus($found->flow->value, $began->flow->value), Exact::of(100)), $began->flow->value);
                $drifts[] = Figure::derived(
                    'ΔQ',
                    \sprintf('change of flow from %s to %s', $began->check, $found->check),
                    $change,
                    CommonUnit::Percent,
                    SharedEquation::Change,
                    ['Q_post' => $found->flow, 'Q_pre' => $began->flow],
                    1,
                );
            }
        }

        return $drifts;
    }

    /**
     * The mean flow of rows, L/min: read off a standard, or a volume over its seconds; a known error of the standard taken out.
     *
     * @param list<Traits> $rows
     */
    public function flow(array $rows, string $when, Check $check, Timeline $timeline): ?Figure
    {
        $told = $this->told($rows, $when, $check);
        $error = RecallError::of($timeline->referenceOf($check), $check->at);

        return $told === null || $error === null ? $told : Figure::derived(
            $told->symbol,
            $told->meaning.', the error of its standard taken out',
            Real::times($told->value, RecallError::factor($error)),
            $told->unit,
            SharedEquation::RecalledFlow,
            ['Q_told' => $told, 'e' => $error],
            $told->decimals,
        );
    }

    /** @param list<Traits> $rows */
    private function told(array $rows, string $when, Check $check): ?Figure
    {
        $flows = [];
        foreach ($rows as $row) {
            $origin = $check->origin((Provenance::tryFrom($row->text('provenance') ?? '') ?? Provenance::Typed)->words());
            $value = $row->measured('value');
            $volume = $row->measured('volume');
            $seconds = $row->decimal('seconds');
            if ($value !== null) {
                $flows[] = Figure::measured('Q', 'flow '.$when, $value, CommonUnit::LitrePerMinute, $origin, 3);
            } elseif ($volume !== null && $seconds !== null) {
                $perMinute = $volume->in(CommonUnit::Litre)->times(60)->dividedBy($seconds->value);
                $flows[] = Figure::derived('Q', 'flow '.$when, $perMinute, CommonUnit::LitrePerMinute, SharedEquation::TimedVolume, [
                    'V' => Figure::read('V', 'volume', $volume->value->value, $volume->unit, $origin, $volume->value->decimals()),
                    't' => Figure::read('t', 'time', $seconds->value, CommonUnit::Second, $origin, $seconds->decimals()),
                ], 3);
            }
        }
        if ($flows === []) {
            return null;
        }

        return \count($flows) === 1
            ? $flows[0]
            : Figure::derived(
                'Q',
                'mean flow '.$when,
                Real::mean(array_map(static fn (Figure $flow): Exact|float => $flow->value, $flows)),
                CommonUnit::LitrePerMinute,
                SharedEquation::Replicates,
                Row::of('x_i', $flows),
                3,
            );
    }

    /** Counts per minute of a size in clean air; null where it was not counted. */
    public function background(Check $check, string $size): ?Figure
    {
        $content = $check->content;
        $minutes = $content instanceof ParticleCheck ? $content->written->decimal('blankMinutes') : null;
        if (!$content instanceof ParticleCheck || $minutes === null || $minutes->value->isZero()) {
            return null;
        }
        foreach ($content->rows('blankFound') as $row) {
            $counts = $row->decimal('value');
            if ($counts !== null && (float) ($row->text('size') ?? '') === (float) $size) {
                $origin = $check->origin('clean');

                return Figure::derived(
                    'b',
                    'background from '.$size.' µm',
                    $counts->value->dividedBy($minutes->value),
                    CountUnit::PerMinute,
                    ParticleEquation::Background,
                    [
                        'B' => Figure::read('B', 'counts in clean air', $counts->value, CommonUnit::None, $origin, 0),
                        't' => Figure::read('t', 'minutes counted', $minutes->value, CommonUnit::Minute, $origin, $minutes->decimals()),
                    ],
                    2,
                );
            }
        }

        return null;
    }

    private function knot(Check $check, ParticleCheck $content, Timeline $timeline, bool $left): CountingKnot
    {
        $unit = $timeline->instrument;
        $nominal = $unit->traits->measured('nominalFlow');
        $assumed = $nominal === null
            ? Figure::read(
                'Q',
                'flow, neither measured nor registered: taken as 1',
                Exact::of(1),
                CommonUnit::LitrePerMinute,
                new Origin('assumption', $check->id, 'no flow is known'),
                3,
            )
            : Figure::measured(
                'Q',
                'nominal flow, not measured',
                $nominal,
                CommonUnit::LitrePerMinute,
                new Origin('instrument', $unit->id, 'the nominal flow is assumed'),
                3,
            );
        $flow = $this->flow(
            $content->rows($left && $content->flowAdjusted() ? 'flowLeft' : 'flowFound'),
            $left ? 'as left' : 'as found',
            $check,
            $timeline,
        );
        $background = [];
        foreach (ParticleUnit::sizes($unit) as $size) {
            $own = $this->background($check, $size);
            if ($own !== null) {
                $background[$size] = $own;
            }
        }
        $zeros = $content->rows($left && $content->written->flag('zeroAdjusted') ? 'zeroLeft' : 'zeroFound');
        $when = $left ? 'as left' : 'as found';
        $shown = [];
        foreach ($zeros as $row) {
            $value = $row->decimal('value');
            if ($value !== null) {
                $shown[] = Figure::read(
                    'z',
                    'zero '.$when,
                    $value->value,
                    CommonUnit::MilligramPerCubicMetre,
                    $check->origin('behind the filter'),
                    max(3, $value->decimals()),
                );
            }
        }
        if ($shown !== []) {
            $background[ParticleFormat::DUST] = \count($shown) === 1
                ? $shown[0]
                : Figure::derived(
                    'z',
                    'mean zero '.$when,
                    Real::mean(array_map(static fn (Figure $one): Exact|float => $one->value, $shown)),
                    CommonUnit::MilligramPerCubicMetre,
                    SharedEquation::Replicates,
                    Row::of('x_i', $shown),
                    3,
                );
        }

        return new CountingKnot($check->at, $flow ?? $assumed, $background, $check->id, $left, $flow === null);
    }

    /** The zero of a dust monitor along the bracket, its gain held; null where no check shows one. */
    public static function zeros(?CountingLine $line): ?LinearLine
    {
        $knots = [];
        foreach ($line->knots ?? [] as $knot) {
            $zero = $knot->background[ParticleFormat::DUST] ?? null;
            if ($zero !== null) {
                $knots[] = new LinearKnot(
                    $knot->at,
                    $zero,
                    Figure::read(
                        'g',
                        'gain, held at 1',
                        Exact::of(1),
                        CommonUnit::None,
                        new Origin('assumption', $knot->check, 'a filter tells the gain'),
                        0,
                    ),
                    $knot->check,
                    $knot->asLeft,
                );
            }
        }

        return $knots === [] ? null : new LinearLine($knots);
    }
}
