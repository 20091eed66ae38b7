<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;

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
            $minutes = Exact::of(number_format($this->run->runningSeconds(), 3, '.', ''))->dividedBy(60);
            $between = null;
            if ($this->answers->evidence->line !== null && \count($this->answers->evidence->line->knots) > 1) {
                [$z, $g] = $this->answers->evidence->line->mean($this->run->runningSpans());
                $between = ($mean->toFloat() / $this->answers->undone->toFloat() - $z) / $g;
            }
            array_push($results, ...$this->answers->mean($mean, $between, $minutes, $origin));
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
                        GasEquation::Exposure,
                        ['Its moment is not known: along the bracket it lies between the responses of the run.'],
                        $key === 'lowest',
                    ),
                );
            }
        }

        return $results;
    }
}
