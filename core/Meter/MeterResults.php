<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Judgement\FamilyResults;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Noise\Levelled;
use Footnote\Core\Noise\NoiseResults;
use Footnote\Core\Noise\OctaveBand;

/** What was worked out of a measurement with a sound level meter: its levels as of every microphone, and its bands beside them. */
final readonly class MeterResults implements FamilyResults, Levelled
{
    private NoiseResults $levels;
    private WorkedOut $worked;

    public function __construct(NoiseResults $levels, public MeterFindings $findings)
    {
        $worked = $levels->worked();
        $this->levels = $levels->withGaps($findings->spectrum->gaps ?? ($worked->results === [] ? null : $levels->log->gaps));
        $this->worked = new WorkedOut(
            [...$worked->results, ...$findings->results],
            $worked->drifts,
            $worked->alterations,
            $worked->segment,
            $worked->leftOut,
        );
    }

    /** What bands and sources showed in the run that is judged; null for every other unit, and while it runs. */
    public static function findings(RunCase $case): ?MeterFindings
    {
        return $case->results instanceof self ? $case->results->findings : null;
    }

    public function levels(): NoiseResults
    {
        return $this->levels;
    }

    public function worked(): WorkedOut
    {
        return $this->worked;
    }

    public function driftsOf(Result $result): array
    {
        return $this->worked->drifts;
    }

    public function headline(array $results): ?string
    {
        return NoiseResults::first($results, 'lex8h', BandComparison::KEY, 'laeq', 'la-bands');
    }

    public function inLedger(Result $result): ?string
    {
        return $this->levels->inLedger($result);
    }

    public function driftLimit(Policy $policy): ?Limit
    {
        return $this->levels->driftLimit($policy);
    }

    public function uncertaintyOf(Check $check): ?Figure
    {
        return $this->levels->uncertaintyOf($check);
    }

    public function ordinary(Result $result): ?Figure
    {
        return $this->levels->ordinary($result);
    }

    public function describe(Sheet $sheet): array
    {
        return [
            ...$this->levels->describe($sheet),
            ...($this->findings->spectrum->levels === [] ? [] : ['spectrum' => $this->spectrum($sheet)]),
        ];
    }

    /** @return array<string, mixed> the levels of the bands for a picture */
    private function spectrum(Sheet $sheet): array
    {
        $record = $this->findings->record;
        $room = $this->findings->room;
        $of = [];
        foreach ($this->findings->results as $result) {
            $of[$result->key] = $result;
        }

        return [
            'statistic' => $record->statistic()->value,
            'permissible' => $room?->permissible->name(),
            'bands' => array_map(static function (OctaveBand $band) use ($record, $room, $of, $sheet): array {
                $compared = $room?->of($band);
                $result = $of[$record->measures->keyOf($band)] ?? null;

                return [
                    'band' => $band->value,
                    'words' => $band->words(),
                    'level' => $result === null ? null : $sheet->enter($result->reportedFigure()),
                    'low' => $result?->lowest()?->toFloat(),
                    'high' => $result?->highest()?->toFloat(),
                    'permissible' => $compared?->permissible->toFloat(),
                    'over' => $compared?->over?->signed(),
                    'fails' => $compared?->fails() ?? false,
                ];
            }, OctaveBand::cases()),
        ];
    }
}
