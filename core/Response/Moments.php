<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;

/** The moments that a derivation rests on, as figures: minutes from the start of the run. */
final readonly class Moments
{
    private const MICROSECONDS_A_MINUTE = 60000000;
    private const STANDS = 'the run, as far as it stands';

    public function __construct(private Run $run)
    {
    }

    public function at(string $symbol, \DateTimeImmutable $moment, string $meaning, Origin $origin): Figure
    {
        return Figure::read(
            $symbol,
            $meaning.', from the start of '.$this->run->id,
            self::minutes($this->run->timing->start, $moment),
            CommonUnit::Minute,
            $origin,
            1,
        );
    }

    private static function minutes(\DateTimeImmutable $from, \DateTimeImmutable $to): Exact
    {
        $micro = ($to->getTimestamp() - $from->getTimestamp()) * 1000000 + (int) $to->format('u') - (int) $from->format('u');

        return Exact::of($micro)->dividedBy(self::MICROSECONDS_A_MINUTE);
    }

    /**
     * Knots as rows of moments and of what they showed: t_i₁, o_i₁, t_i₂ …
     *
     * @template K of Knot
     *
     * @param list<K>                          $knots
     * @param non-empty-list<string>           $symbols of the moment, then of what is told of each knot
     * @param \Closure(K): list<Figure>        $told
     *
     * @return array<string, Figure>
     */
    public function along(array $knots, array $symbols, \Closure $told): array
    {
        return Row::together(
            $symbols,
            array_map(
                fn (Knot $knot): array => [
                    $this->at(
                        't',
                        $knot->moment(),
                        'where '.$knot->check().($knot->isAsLeft() ? ' as left' : ' as found').' stands in time',
                        new Origin('check', $knot->check(), 'the check before stands at the start, the check after at the stop'),
                    ),
                    ...$told($knot),
                ],
                $knots,
            ),
        );
    }

    /**
     * Begin and end of the run as far as it stands, in which a window lies.
     *
     * @return array<string, Figure>
     */
    public function window(Span $stands): array
    {
        $origin = new Origin('run', $this->run->id, self::STANDS);

        return [
            'a' => $this->at('a', $stands->from, 'windows begin', $origin),
            'b' => $this->at('b', $stands->to, 'windows end', $origin),
        ];
    }

    /**
     * The run as far as it stands, as rows of an equation.
     *
     * @return array<string, Figure>
     */
    public function standing(Span $stands): array
    {
        return $this->stretches([$stands], self::STANDS);
    }

    /** How long it ran, pauses taken off, min. */
    public function ran(): Figure
    {
        return $this->time($this->run->runningSpans(), 'start to stop, less pauses');
    }

    /**
     * How long stretches are together, min.
     *
     * @param list<Span> $stretches
     */
    public function time(array $stretches, string $note, string $meaning = 'running time', int $decimals = 0): Figure
    {
        return Figure::derived(
            't',
            $meaning,
            array_reduce(
                $stretches,
                static fn (Exact $sum, Span $span): Exact => $sum->plus(self::minutes($span->from, $span->to)),
                Exact::zero(),
            ),
            CommonUnit::Minute,
            SharedEquation::RunningTime,
            $this->stretches($stretches, $note),
            $decimals,
        );
    }

    /**
     * Stretches as rows: a_j₁, b_j₁, a_j₂ …
     *
     * @param list<Span> $stretches
     *
     * @return array<string, Figure>
     */
    public function stretches(array $stretches, string $note): array
    {
        $origin = new Origin('run', $this->run->id, $note);

        return Row::together(
            ['a_j', 'b_j'],
            array_map(
                fn (Span $span): array => [
                    $this->at('a', $span->from, 'a stretch that counts begins', $origin),
                    $this->at('b', $span->to, 'a stretch that counts ends', $origin),
                ],
                $stretches,
            ),
        );
    }
}
