<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Response\Moments;

/** Works out what the display of a channel showed, where there is no log. */
final readonly class DisplayedChannel
{
    public function __construct(private Run $run, private ChannelAnswers $answers)
    {
    }

    /** @return list<Result> */
    public function results(): array
    {
        $origin = new Origin('run', $this->run->id, 'read off the display');
        $read = fn (string $symbol, string $meaning, Decimal $value): Figure => Figure::read(
            $symbol,
            $meaning.', as the display showed',
            $value->value,
            $this->answers->of->shown(),
            $origin,
            max(1, $value->decimals()),
        );
        $results = [];
        if ($this->answers->of->set->totals->mean !== null) {
            $mean = $this->answers->withinRange($read('r̄', 'mean reading', $this->answers->of->set->totals->mean));
            $stretches = (new Moments($this->run))->stretches($this->run->runningSpans(), 'start, stop and pauses');
            $time = Figure::derived(
                't',
                'time that the mean rests on',
                Exact::of(number_format($this->run->runningSeconds(), 3, '.', ''))->dividedBy(60),
                CommonUnit::Minute,
                SharedEquation::RunningTime,
                $stretches,
                1,
            );
            $between = null;
            $line = $this->answers->evidence->line;
            if ($line !== null && \count($line->knots) > 1) {
                $between = function (Figure $sensor) use ($line, $mean, $stretches): Figure {
                    [$z, $g] = $line->mean($this->run->runningSpans());

                    return $this->answers->along(
                        $mean->meaning,
                        ($sensor->toFloat() - $z) / $g,
                        GasEquation::CorrectedEvenly,
                        ['r' => $sensor, ...$stretches],
                        'i',
                    );
                };
            }
            array_push($results, ...$this->answers->mean($mean, $between, $time));
        }
        foreach ([
            ['stel', 'Short-term, 15 min, ', 'r₁₅', 'highest mean of 15 min', $this->answers->of->set->totals->shortTerm],
            ['peak', 'Peak, ', 'r_max', 'highest reading', $this->answers->of->set->totals->peak],
            ['lowest', 'Lowest, ', 'r_min', 'lowest reading', $this->answers->of->set->totals->lowest],
        ] as [$key, $title, $symbol, $meaning, $value]) {
            if ($value !== null) {
                array_push(
                    $results,
                    ...$this->answers->inUnits(
                        $key,
                        $title,
                        $this->answers->answers($this->answers->withinRange($read($symbol, $meaning, $value)), null, true),
                        ['Its moment is not known: along the bracket it lies between the responses of the run.'],
                        $key === 'lowest',
                    ),
                );
            }
        }

        return $results;
    }
}
