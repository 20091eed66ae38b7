<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\RestOfDay;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** How much of a stated working day a result that speaks of the whole day rests on. */
final readonly class Coverage
{
    /** What a day would come to with its unsampled part as measured, or as nothing: other values of what speaks of a day. */
    public const AS_SAMPLED = 'with the unsampled part of the day as sampled';
    public const AS_NOTHING = 'with the unsampled part of the day as nothing';

    /**
     * @param non-empty-list<Figure> $times  that were sampled, each in min or h
     * @param Figure                 $stated the working day, min
     * @param RestOfDay|null         $rest   a person's word on what was not sampled
     */
    private function __construct(private array $times, public Figure $stated, public ?RestOfDay $rest)
    {
    }

    /**
     * Null where no working day was stated.
     *
     * @param Run          $by    that states the working day
     * @param list<Figure> $times that were sampled, what they share counted once, each in min or h
     */
    public static function of(Run $by, array $times, ?RestOfDay $rest): ?self
    {
        $minutes = $by->day->minutes;

        return $minutes === null || $minutes <= 0.0 || $times === []
            ? null
            : new self(
                $times,
                Figure::read(
                    'T_day',
                    'working day',
                    Exact::of(number_format($minutes, 6, '.', '')),
                    CommonUnit::Minute,
                    new Origin('run', $by->id, 'stated with the run'),
                    0,
                ),
                $rest,
            );
    }

    /** What was sampled, min. */
    public function sampled(): Exact|float
    {
        return array_reduce(
            $this->times,
            static fn (Exact|float $sum, Figure $time): Exact|float => Real::plus(
                $sum,
                $time->unit === CommonUnit::Hour ? Real::times($time->value, Exact::of(60)) : $time->value,
            ),
            Exact::zero(),
        );
    }

    /** What was not, min. */
    public function left(): Figure
    {
        return Figure::derived(
            't_left',
            'part of the working day that was not sampled',
            Real::minus($this->stated->value, $this->sampled()),
            CommonUnit::Minute,
            SharedEquation::NotMeasured,
            ['T_day' => $this->stated, ...Row::of('t_i', $this->times)],
            0,
        );
    }

    /** The same in percent of the day. */
    public function share(): Figure
    {
        $left = $this->left();

        return Figure::derived(
            's',
            'share of the working day that was not sampled',
            Real::by(Real::times($left->value, Exact::of(100)), $this->stated->value),
            CommonUnit::Percent,
            SharedEquation::ShareOf,
            ['x' => $left, 'X' => $this->stated],
            0,
        );
    }
}
