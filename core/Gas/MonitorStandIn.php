<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Substances;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\StandIn\Chance;
use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Scale;
use Footnote\Core\StandIn\Scene;
use Footnote\Core\StandIn\Sensor as SensorStandIn;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;
use Footnote\Core\StandIn\WarmUp;

/** A gas monitor: clean air, then what its cylinders hold. Each cell takes its own time. */
final readonly class MonitorStandIn implements StandIn
{
    public const POISONED = 'poisoned';
    public const DEAD = 'dead';
    public const SPENT = 'spent-filter';

    /** When each gas of the exercise is on, s; what is on a while later is plateau. */
    public const MIX = 30.0;
    public const CLEAN = 330.0;
    public const ISOBUTYLENE = 630.0;

    /** Of isobutylene that a cell of carbon monoxide answers to behind a filter that is good, and spent (own). */
    private const PASSES = 0.002;
    private const PASSES_SPENT = 0.2;

    /** name: unit, resolution, in clean air, in the mix, in isobutylene, seconds to nine tenths */
    private const CELLS = [
        'O2' => ['% vol', '0.1', 20.9, 18.0, 20.9, 15.0],
        'LEL' => ['% LEL', '1', 0.0, 50.0, 0.0, 25.0],
        'CO' => ['ppm', '1', 0.0, 50.0, 0.0, 25.0],
        'H2S' => ['ppm', '1', 0.0, 25.0, 0.0, 30.0],
        'PID' => ['ppm', '0.1', 0.0, 0.0, 100.0, 5.0],
    ];

    public function id(): string
    {
        return 'gas-check';
    }

    public function title(): string
    {
        return 'A gas monitor with its cylinders';
    }

    public function faults(): array
    {
        return [
            new Fault(self::POISONED, 'the cell of carbon monoxide is poisoned and gives half', 'gas.span-drift'),
            new Fault(self::DEAD, 'the cell of carbon monoxide does not answer', 'gas.as-found-large'),
            new Fault(self::SPENT, 'the filter of the cell of carbon monoxide is spent: it answers to isobutylene', 'gas.cross-response'),
        ];
    }

    public function exercise(\DateTimeImmutable $from, int $seed, ?string $fault): Printing
    {
        $channels = [];
        foreach (self::CELLS as $name => [$in, $resolution, $clean, $mix, $isobutylene, $t90]) {
            $passes = $name === 'CO' ? 100.0 * $this->passes($fault) : 0.0;
            $course = (new Course($clean))
                ->then(self::MIX, $mix)
                ->then(self::CLEAN, $clean)
                ->then(self::ISOBUTYLENE, $isobutylene + $passes);
            $gives = $name === 'CO' ? $this->gives($fault) : 1.0;
            $channels[] = new StandInChannel($name, $in, self::sensor($resolution, $t90), $course, Scale::gives($gives));
        }

        return new Printing('GM-90', $channels, $from, $seed);
    }

    public function atTheBench(Scene $scene, int $seed, ?string $fault): array
    {
        $chance = new Chance($seed);
        $channels = [];
        foreach (Channel::of($scene->unit) as $channel) {
            $isCarbonMonoxide = $channel->kind === GasKind::CarbonMonoxide;
            $stage = GasStage::ofSpan($channel->kind);
            // What each cell has lost since it was spanned: some percent, no two the same.
            $gives = 1 - 0.01 * abs($chance->normal($channel->name, 0));
            $scale = Scale::gives($isCarbonMonoxide ? $gives * $this->gives($fault) : $gives);
            // Nothing is set right that does not answer.
            $scale = $isCarbonMonoxide && $fault === self::DEAD ? $scale : $scale->adjusted(
                $scene->adjustedAt($stage->value.'-adjust', $stage->adjusted()),
            );
            $channels[] = new StandInChannel(
                $channel->name,
                $channel->unit->value,
                self::sensor($channel->display->resolution->written ?? '1', $channel->timing->response?->value->toFloat() ?? 20.0),
                $this->course($channel, $scene, $fault),
                $scale,
            );
        }

        return $channels;
    }

    /** Clean air, and each gas from when it is on until it is off or the next one is. */
    private function course(Channel $channel, Scene $scene, ?string $fault): Course
    {
        $clean = $channel->kind->inCleanAir()->toFloat();
        $changes = [];
        foreach ([GasStage::Mix, GasStage::Isobutylene] as $stage) {
            $on = $scene->on($stage->value.'-found');
            if ($on !== null) {
                $changes[] = [$on, $this->in($stage, $channel, $scene, $fault) ?? $clean];
            }
        }
        $off = $scene->settledAt('gas-off');
        if ($off !== null) {
            $changes[] = [$off, $clean];
        }
        usort($changes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $course = new Course($clean);
        foreach ($changes as [$at, $to]) {
            $course = $course->then($at, $to);
        }

        return $course;
    }

    /** What a channel meets in a gas; null: nothing that it senses. */
    private function in(GasStage $stage, Channel $channel, Scene $scene, ?string $fault): ?float
    {
        foreach ([$scene->chosen, ...$scene->others] as $reference) {
            if ($reference === null || $reference->kind !== Bottle::KIND) {
                continue;
            }
            $bottle = new Bottle($reference);
            $on = new \DateTimeImmutable(Timeline::END);
            if (GasStage::ofSpan($channel->kind) === $stage) {
                $label = $bottle->label($channel, $on);
                if ($label !== null) {
                    return $label->toFloat();
                }
            } elseif ($stage === GasStage::Isobutylene && $channel->kind === GasKind::CarbonMonoxide) {
                $isobutylene = $bottle->gas(Substances::ISOBUTYLENE, $on)?->decimal('concentration');
                if ($isobutylene !== null) {
                    return $isobutylene->value->toFloat() * $this->passes($fault);
                }
            }
        }

        return null;
    }

    private static function sensor(string $resolution, float $t90): SensorStandIn
    {
        return new SensorStandIn(
            (float) $resolution > 0 ? $resolution : '1',
            Parameter::own(0.2 * (float) $resolution),
            Parameter::own($t90),
            WarmUp::none(),
            Parameter::own(0.02 * (float) $resolution),
            Parameter::own(0),
        );
    }

    /** The share of its gas that the cell of carbon monoxide gives. */
    private function gives(?string $fault): float
    {
        return match ($fault) {
            null, self::SPENT => 1.0,
            self::POISONED => 0.5,
            self::DEAD => 0.0,
            default => throw NoSuchFault::of($this, $fault),
        };
    }

    private function passes(?string $fault): float
    {
        return $fault === self::SPENT ? self::PASSES_SPENT : self::PASSES;
    }
}
