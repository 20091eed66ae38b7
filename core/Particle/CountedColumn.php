<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Log\LogEquation;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

/** What was counted of a column from one size on, and over which time. */
final readonly class CountedColumn
{
    /** N */
    public Figure $number;

    /** t, min */
    public Figure $time;

    /** h, how long each sample took, s */
    public Figure $sample;

    /** How long each sample took, s. */
    public Exact $seconds;

    /** @param Decimal|null $written how long each sample took, s, as written with the run; else an interval of the log */
    public function __construct(
        public string $size,
        public LoggedColumn $source,
        ValueCounts $counts,
        ?Decimal $written,
        Run $run,
    ) {
        $this->seconds = $written->value ?? $source->seconds;
        $this->sample = $written === null ? $source->interval : Figure::read(
            'h',
            'how long each sample took',
            $written->value,
            CommonUnit::Second,
            new Origin('run', $run->id, 'written with the run'),
            $written->decimals(),
        );
        $this->number = Figure::derived(
            'N',
            'counts from '.$size.' µm',
            Exact::of(intdiv($counts->sum(), 1000)),
            CommonUnit::None,
            LogEquation::Sum,
            ['N_i' => $source->lines],
            0,
        );
        $this->time = Figure::derived(
            't',
            'time sampled',
            Exact::of($counts->samples)->times($this->seconds)->dividedBy(60),
            CommonUnit::Minute,
            LogEquation::Time,
            ['n' => $source->lines, 'h' => $this->sample],
            2,
        );
    }
}
