<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\Exact;

/** One channel of a log for looking at, interval by interval: as the unit indicated, and with the response of each moment taken out. */
final readonly class SeriesOfReadings
{
    /**
     * @param list<int|null>      $logged    thousandths of what was there, as indicated
     * @param list<int|null>|null $corrected null where no check shows a response
     */
    private function __construct(public array $logged, public ?array $corrected)
    {
    }

    public static function of(SeriesLog $log, int $column, Run $run, ChannelResults $results): self
    {
        $clock = new LogClock($log, $run);
        $line = $results->line;
        $scale = ($results->factor->applied->value ?? Exact::of(1));
        $factor = $scale instanceof Exact ? $scale->toFloat() : $scale;
        $undone = $results->factor->undone->toFloat();
        [$logged, $corrected] = [[], []];
        $at = 0;
        foreach ($log->chunks($column) as $chunk) {
            // Zero and gain move on straight lines: both ends of a short piece tell the rest.
            $length = \count($chunk);
            [$z, $g] = $line === null ? [0.0, 1.0] : $line->at($clock->at($at));
            [$z1, $g1] = $line === null || $length < 2 ? [$z, $g] : $line->at($clock->at($at + $length - 1));
            [$dz, $dg] = $length < 2 ? [0.0, 0.0] : [($z1 - $z) / ($length - 1), ($g1 - $g) / ($length - 1)];
            foreach ($chunk as $i => $raw) {
                if ($raw <= SeriesLog::OVER) {
                    $logged[] = null;
                    $corrected[] = null;
                    continue;
                }
                $logged[] = (int) round($raw / $undone * $factor);
                $corrected[] = (int) round(($raw / $undone - 1000 * ($z + $dz * $i)) / ($g + $dg * $i) * $factor);
            }
            $at += $length;
        }

        return new self($logged, $line === null ? null : $corrected);
    }
}
