<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\KnotsAlong;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/** What gas checks say of one channel: r = z + g·c (G-1), as found and as left. */
final readonly class GasResponse
{
    public function __construct(public Channel $channel)
    {
    }

    /** What the span gas truly holds: by the label, else what the unit was told to expect; null where neither is known. */
    public function label(Check $check, ChannelCheck $content, Timeline $timeline): ?Figure
    {
        if ($content->byAir) {
            return Figure::read(
                'c_span',
                'oxygen of clean air',
                $this->channel->kind->inCleanAir(),
                $this->channel->unit,
                new Origin('assumption', $check->id, 'no cylinder was read: the air in which it was zeroed'),
                1,
            );
        }
        $reference = $timeline->referenceOf($check);
        if ($reference !== null && $reference->certificateAt($check->at) !== null) {
            return (new Bottle($reference))->label($this->channel, $check->at);
        }
        $expected = self::expected($content);

        return $expected === null
            ? null
            : Figure::read(
                'c_span',
                'what the instrument expects; no label is known',
                $expected,
                $this->channel->unit,
                new Origin('assumption', $check->id, 'the expected value is assumed to be true'),
                1,
            );
    }

    /** What the unit was told to expect; null where nobody wrote it. */
    public static function expected(ChannelCheck $content): ?Exact
    {
        foreach ([...$content->span->found, ...$content->span->left] as $row) {
            if ($row->expected !== null) {
                return $row->expected->value;
            }
        }

        return null;
    }

    /** Labels and readings are written decimals. */
    public function exact(Figure $figure): Exact
    {
        \assert($figure->value instanceof Exact);

        return $figure->value;
    }

    public function asFound(Check $check, Timeline $timeline): ?LinearKnot
    {
        $content = $check->content;
        $label = $content instanceof ChannelCheck ? $this->label($check, $content, $timeline) : null;
        if (!$content instanceof ChannelCheck || $label === null || $content->span->found === []) {
            return null;
        }
        $span = $this->read(
            'r_span',
            'reading of the span as found',
            Plateau::in($this->channel, $content->span->found, $this->exact($label))->rows,
            $check,
        );

        return $this->knot($check, $content, $label, $span, $this->zero($content->zero->found, 'as found', $check), false);
    }

    public function asLeft(Check $check, Timeline $timeline): ?LinearKnot
    {
        $content = $check->content;
        $label = $content instanceof ChannelCheck ? $this->label($check, $content, $timeline) : null;
        if (!$content instanceof ChannelCheck || $label === null) {
            return null;
        }
        if ($content->span->left === [] && $content->span->adjusted) {
            $expected = self::expected($content);
            $assumed = $expected === null
                ? Figure::derived(
                    'r_span',
                    'adjusted and not read again: taken to show the label',
                    $label->value,
                    $this->channel->unit,
                    SharedEquation::SameInUnit,
                    ['X' => $label],
                    1,
                )
                : Figure::read(
                    'r_span',
                    'adjusted and not read again: what the instrument expects is assumed',
                    $expected,
                    $this->channel->unit,
                    new Origin('assumption', $check->id, 'nobody read it after the adjustment'),
                    1,
                );

            return $this->knot(
                $check,
                $content,
                $label,
                $assumed,
                $this->zeroInSpan($content, $check),
                true,
                true,
            );
        }
        $rows = $content->span->left !== [] ? $content->span->left : $content->span->found;
        if ($rows === []) {
            return null;
        }
        $span = $this->read(
            'r_span',
            'reading of the span as left',
            Plateau::in($this->channel, $rows, $this->exact($label))->rows,
            $check,
        );

        return $this->knot($check, $content, $label, $span, $this->zeroInSpan($content, $check), true);
    }

    /** The response along a bracket; null where no check shows one. */
    public function line(Bracket $bracket, Timeline $timeline): ?LinearLine
    {
        $knots = KnotsAlong::of(
            $bracket,
            fn (Check $check): ?LinearKnot => $this->asFound($check, $timeline),
            fn (Check $check): ?LinearKnot => $this->asLeft($check, $timeline),
        );
        if ($knots === []) {
            return null;
        }
        foreach (self::rezeroed($bracket, $timeline) as $event) {
            $assumed = static fn (Figure $was, Exact|float $value, string $words): Figure => Figure::read(
                'z',
                $words,
                $value,
                $was->unit,
                new Origin('assumption', $event->id, 'zeroed on '.$event->at->format('j M H:i')),
                2,
            );
            $last = \count($knots) - 1;
            if ($event->at <= $bracket->start() && $knots[0]->asLeft) {
                $knots[0] = $knots[0]->withZero($assumed($knots[0]->zero, Exact::zero(), 'zero, set anew after the check'));
            } elseif ($last > 0) {
                $knots[$last] = $knots[$last]->withZero(
                    $assumed($knots[$last]->zero, $knots[0]->zero->value, 'zero, held: it was set anew before it was read'),
                );
            }
        }

        return new LinearLine($knots);
    }

    /**
     * Zeros that were set between both ends: they break z and keep g.
     *
     * @return list<Intervention>
     */
    public static function rezeroed(Bracket $bracket, Timeline $timeline): array
    {
        return $bracket->done(GasIntervention::Rezeroed, $timeline);
    }

    /**
     * G-3: what changed up to each reading as found since its segment began. The readings that both responses give in clean
     * air, and in the span gas of the later check, are compared, so that another bottle makes no drift.
     *
     * @return list<GasDrift>
     */
    public function drifts(?LinearLine $line, Bracket $bracket, Timeline $timeline): array
    {
        $drifts = [];
        $checks = array_column($bracket->checks(), null, 'id');
        foreach (KnotsAlong::segments($line->knots ?? []) as [$began, $knot]) {
            $check = $checks[$knot->check] ?? null;
            $label = $check?->content instanceof ChannelCheck ? $this->label($check, $check->content, $timeline) : null;
            if ($label === null) {
                continue;
            }
            $c = $label->value;
            $clean = fn (LinearKnot $one): Exact|float => Real::plus(
                $one->zero->value,
                Real::times($one->gain->value, $this->channel->kind->inCleanAir()),
            );
            $reads = static fn (LinearKnot $one): Exact|float => Real::plus($one->zero->value, Real::times($one->gain->value, $c));
            $moved = Real::minus($reads($knot), $reads($began));
            $words = \sprintf('of %s from %s to %s', $this->channel->name, $began->check, $knot->check);
            $responses = [
                'z_post' => $knot->zero,
                'g_post' => $knot->gain,
                'z_pre' => $began->zero,
                'g_pre' => $began->gain,
            ];
            $inputs = [...$responses, 'c_span' => $label];
            $drifts[] = new GasDrift(
                $knot->check,
                Figure::derived(
                    'D_span',
                    'span drift '.$words,
                    Real::by(Real::times($moved, Exact::of(100)), $c),
                    CommonUnit::Percent,
                    GasEquation::SpanDrift,
                    $inputs,
                    1,
                ),
                Figure::derived('D_span', 'span drift '.$words, $moved, $this->channel->unit, GasEquation::SpanMoved, $inputs, 2),
                Figure::derived(
                    'D_zero',
                    'zero drift '.$words,
                    Real::minus($clean($knot), $clean($began)),
                    $this->channel->unit,
                    GasEquation::ZeroDrift,
                    [...$responses, 'c_zero' => $this->clean($knot->check, $check->content)],
                    2,
                ),
                $label,
            );
        }

        return $drifts;
    }

    private function knot(
        Check $check,
        ChannelCheck $content,
        Figure $label,
        Figure $span,
        ?Figure $zero,
        bool $left,
        bool $assumed = false,
    ): LinearKnot {
        $when = $left ? 'as left' : 'as found';
        $source = $this->clean($check->id, $content);
        $clean = $this->channel->kind->inCleanAir();
        // While the span flowed the zero was the one it had been set to.
        $inSpan = $left ? $zero : $this->zeroInSpan($content, $check);
        $rise = Real::minus($label->value, $clean);
        if ($inSpan !== null && !Real::isZero($rise)) {
            $gain = Figure::derived(
                'g',
                'gain '.$when,
                Real::by(Real::minus($span->value, $inSpan->value), $rise),
                CommonUnit::None,
                GasEquation::Gain,
                ['r_span' => $span, 'r_zero' => $inSpan, 'c_span' => $label, 'c_zero' => $source],
                3,
            );
        } else {
            $gain = Figure::derived(
                'g',
                'gain '.$when.', by one point',
                Real::by($span->value, $label->value),
                CommonUnit::None,
                GasEquation::OnePoint,
                ['r_span' => $span, 'c_span' => $label],
                3,
            );
            $zero = null;
        }
        $offset = $zero === null
            ? Figure::read(
                'z',
                'zero '.$when.', by one point: held at 0',
                Exact::zero(),
                $this->channel->unit,
                new Origin('assumption', $check->id, 'one point tells no zero'),
                2,
            )
            : Figure::derived(
                'z',
                'zero '.$when,
                Real::minus($zero->value, Real::times($gain->value, $clean)),
                $this->channel->unit,
                GasEquation::Zero,
                ['r_zero' => $zero, 'g' => $gain, 'c_zero' => $source],
                2,
            );

        return new LinearKnot($check->at, $offset, $gain, $check->id, $left, $assumed);
    }

    /** What clean air holds, as an input. */
    private function clean(string $check, ChannelCheck $content): Figure
    {
        return Figure::read(
            'c_zero',
            'what clean air holds',
            $this->channel->kind->inCleanAir(),
            $this->channel->unit,
            new Origin('assumption', $check, $content->whole->zero->source->value ?? 'clean air'),
            1,
        );
    }

    /** What the channel read in clean air while the span was about to flow; null where nobody read or set it. */
    private function zeroInSpan(ChannelCheck $content, Check $check): ?Figure
    {
        if (!$content->zero->adjusted) {
            return $this->zero($content->zero->found, 'as found', $check);
        }

        return $this->zero($content->zero->left, 'as left', $check)
            ?? Figure::read(
                'r_zero',
                'zeroed and not read again: nominal is assumed',
                $this->channel->kind->inCleanAir(),
                $this->channel->unit,
                new Origin('assumption', $check->id, 'nobody read it after zeroing'),
                1,
            );
    }

    /** @param list<GasRow> $rows */
    private function zero(array $rows, string $when, Check $check): ?Figure
    {
        return $rows === [] ? null : $this->read('r_zero', 'reading in clean air '.$when, $rows, $check);
    }

    /** @param list<GasRow> $rows */
    private function read(string $symbol, string $meaning, array $rows, Check $check): Figure
    {
        $one = fn (GasRow $row): Figure => Figure::read(
            $symbol,
            $meaning,
            $row->value->value,
            $this->channel->unit,
            $check->origin($row->provenance->words()),
            $row->value->decimals(),
        );
        \assert($rows !== []);

        return \count($rows) === 1
            ? $one($rows[0])
            : Figure::derived(
                $symbol,
                'mean '.$meaning,
                Exact::mean(array_map(static fn (GasRow $row): Exact => $row->value->value, $rows)),
                $this->channel->unit,
                SharedEquation::Replicates,
                Row::of('x_i', array_map($one, $rows)),
                2,
            );
    }
}
