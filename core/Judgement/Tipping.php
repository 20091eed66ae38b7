<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** What would have to be wrong for a result to lie on the other side of a limit, where it goes with a flow or a gain. */
final class Tipping
{
    /** From this share on an error is told as a multiple, %. */
    private const MANIFOLD = 900.0;

    /** Below this share nothing would be left, %. */
    private const NOTHING = -99.0;

    /**
     * By how much a flow or a gain would have to be off for the value to sit on the limit.
     *
     * @param string $what    of what the error is: "flow", "gain"
     * @param string $subject "the true flow was", "the channel read"
     * @param Sentence $seen  what the checks showed
     */
    public static function byShare(
        Figure $value,
        ExposureLimit $limit,
        string $what,
        string $subject,
        Sentence $seen,
    ): TippingPoint {
        if ($limit->threshold->value->value->isZero() || Real::compare($value->value, Exact::zero()) <= 0) {
            return TippingPoint::none('There is nothing to set against the limit.');
        }
        // Of an interval the upper end is turned.
        $value = $value->known->bound === null ? $value->high() : $value;
        $ratio = Real::by($value->value, $limit->threshold->value->value);
        $error = Real::times(Real::minus($ratio, Exact::of(1)), Exact::of(100));
        $figure = Figure::derived(
            'e*',
            \sprintf('error of %s at which it sits on the limit', $what),
            $error,
            CommonUnit::Percent,
            SharedEquation::TippingShare,
            ['c' => $value, 'L' => $limit->figure('L', $value->unit)],
            1,
        );
        $share = Real::toFloat($error);

        $turns = match (true) {
            $share < self::NOTHING => \sprintf('It lies so far from the limit that no error of %s would turn it; ', $what),
            $share > self::MANIFOLD => \sprintf(
                'It turns if %s more than %d times as high as worked out with; ',
                $subject,
                (int) floor(Real::toFloat($ratio)),
            ),
            default => \sprintf(
                'It turns if %s %s %% %s than worked out with; ',
                $subject,
                ltrim($figure->shown(), '-'),
                $share >= 0.0 ? 'higher' : 'lower',
            ),
        };

        return new TippingPoint($figure, Sentence::of($turns, $figure)->then($seen)->then('.'));
    }

    /**
     * The most a unit ever moved, this bracket with it, as part of a sentence; empty where nothing is known.
     *
     * @param list<Figure> $drifts of this bracket
     */
    public static function ever(?Figure $ever, array $drifts, string $verb): Sentence
    {
        if ($ever === null) {
            return Sentence::of('');
        }
        foreach ($drifts as $drift) {
            $ever = abs($drift->toFloat()) > abs($ever->toFloat()) ? $drift : $ever;
        }

        return Sentence::of(\sprintf('; the most it ever %s is %s %s', $verb, $ever->signed(), $ever->unit->value), $ever);
    }

    /**
     * What the checks of the bracket showed.
     *
     * @param list<Figure> $drifts
     * @param string       $of     what is told of them, such as "a change of"
     * @param string       $none   where there are none
     */
    public static function showed(array $drifts, string $of, string $none): Sentence
    {
        return $drifts === []
            ? Sentence::of($none)
            : Sentence::of(
                \sprintf(
                    'its checks showed %s %s',
                    $of,
                    implode(' and ', array_map(static fn (Figure $drift): string => $drift->signed().' %', $drifts)),
                ),
                ...$drifts,
            );
    }
}
