<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Quantity\Unit;

/** One channel of a log for looking at, interval by interval: as the unit indicated, and with the response of each moment taken out. */
final readonly class ChannelSeries
{
    /**
     * @param \DateTimeImmutable  $start     true time of the first interval
     * @param float               $step      s
     * @param list<int|null>      $indicated thousandths of the unit
     * @param list<int|null>|null $corrected null where no check shows a response
     */
    private function __construct(
        public Unit $unit,
        public \DateTimeImmutable $start,
        public float $step,
        public array $indicated,
        public ?array $corrected,
    ) {
    }

    /**
     * @param \Closure(int): float                                        $shown     thousandths as logged to what the unit indicated
     * @param (\Closure(\DateTimeImmutable): array{float, float})|null     $response  two numbers of a moment, which move on straight lines
     * @param \Closure(int, float, float): float                          $corrected thousandths as logged, the response taken out
     */
    public static function of(
        Unit $unit,
        SeriesLog $log,
        int $column,
        LogClock $clock,
        \Closure $shown,
        ?\Closure $response,
        \Closure $corrected,
    ): self {
        $logged = [];
        $right = [];
        $at = 0;
        foreach ($log->chunks($column) as $chunk) {
            // Both ends of a short piece tell the rest of a straight line.
            $length = \count($chunk);
            [$a, $b] = $response === null ? [0.0, 0.0] : $response($clock->at($at));
            [$a1, $b1] = $response === null || $length < 2 ? [$a, $b] : $response($clock->at($at + $length - 1));
            [$da, $db] = $length < 2 ? [0.0, 0.0] : [($a1 - $a) / ($length - 1), ($b1 - $b) / ($length - 1)];
            foreach ($chunk as $i => $raw) {
                if ($raw <= SeriesLog::OVER) {
                    $logged[] = null;
                    $right[] = null;
                    continue;
                }
                $logged[] = (int) round($shown($raw));
                if ($response !== null) {
                    $right[] = (int) round($corrected($raw, $a + $da * $i, $b + $db * $i));
                }
            }
            $at += $length;
        }

        return new self($unit, $clock->at(0), $log->step(), $logged, $response === null ? null : $right);
    }

    /**
     * Drawn small: with the response taken out where a check shows one.
     *
     * @param int $most how many stretches it is drawn in, at most
     */
    public function sketch(int $most): LogSketch
    {
        $values = $this->corrected ?? $this->indicated;
        $per = max(1, (int) ceil(\count($values) / $most));
        $points = [];
        foreach (array_chunk($values, $per) as $stretch) {
            $known = array_filter($stretch, \is_int(...));
            $points[] = $known === [] ? null : [min($known) / 1000, array_sum($known) / \count($known) / 1000, max($known) / 1000];
        }

        return new LogSketch($per * $this->step, $points, $this->unit);
    }
}
