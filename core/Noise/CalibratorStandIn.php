<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\StandIn\Chance;
use Footnote\Core\StandIn\Course;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;
use Footnote\Core\StandIn\Printing;
use Footnote\Core\StandIn\Scale;
use Footnote\Core\StandIn\Scene;
use Footnote\Core\StandIn\Sensor;
use Footnote\Core\StandIn\StandIn;
use Footnote\Core\StandIn\StandInChannel;
use Footnote\Core\StandIn\WarmUp;

/** A unit with a microphone in a calibrator: the room first, then the tone. */
final readonly class CalibratorStandIn implements StandIn
{
    public const CHANNEL = 'level';
    public const DRIFTED = 'drifted';
    public const LOOSE = 'loose-adapter';
    public const WRONG_LEVEL = 'wrong-level';

    /** When the calibrator of the exercise is switched on, s. */
    public const ON = 10.0;

    private const ROOM = 42.0;
    private const TONE = 114.0;

    public function id(): string
    {
        return 'acoustic-check';
    }

    public function title(): string
    {
        return 'A unit with a microphone in a calibrator';
    }

    public function faults(): array
    {
        return [
            new Fault(self::DRIFTED, 'the microphone has drifted by 0.8 dB', 'noise.drift'),
            new Fault(self::LOOSE, 'the adapter is loose: the tone leaks and wanders', 'noise.drift'),
            new Fault(self::WRONG_LEVEL, 'the calibrator sounds 20 dB lower, and nobody sees it', 'noise.drift'),
        ];
    }

    public function exercise(\DateTimeImmutable $from, int $seed, ?string $fault): Printing
    {
        $tone = (new Course(self::ROOM))->then(self::ON, self::TONE + $this->lost($fault));

        return new Printing('DM-90', [self::channel('0.1', $fault, $tone, Scale::off($this->drift($fault)))], $from, $seed);
    }

    public function atTheBench(Scene $scene, int $seed, ?string $fault): array
    {
        $sounding = [];
        $on = $scene->on(AcousticProcedure::STEADY);
        if ($on !== null) {
            $chosen = $scene->said->text('setting') ?? '';
            $sounding = [[$on, self::level($scene, $chosen)], ...self::further($scene, $chosen)];
        }
        $off = $scene->settledAt(AcousticProcedure::CALIBRATOR_OFF);
        $changes = array_map(fn (array $one): array => [$one[0], $one[1] + $this->lost($fault)], $sounding);
        $changes = [...$changes, ...($off === null ? [] : [[$off, self::ROOM]])];
        usort($changes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $tone = new Course(self::ROOM);
        foreach ($changes as [$at, $level]) {
            $tone = $tone->then($at, $level);
        }
        // No two units of a model read the same.
        $own = 0.1 * (new Chance($seed))->normal('unit', 0);
        $scale = Scale::off($own + $this->drift($fault))->adjusted($scene->adjustedAt(AcousticProcedure::ADJUST, 'adjusted'));

        return [self::channel($scene->unit->traits->decimal('resolution')->written ?? '0.1', $fault, $tone, $scale)];
    }

    private static function channel(string $resolution, ?string $fault, Course $tone, Scale $scale): StandInChannel
    {
        $sensor = new Sensor(
            (float) $resolution > 0 ? $resolution : '0.1',
            Parameter::own($fault === self::LOOSE ? 0.35 : 0.03),
            Parameter::own(1.0),
            new WarmUp(Parameter::own(0.2), Parameter::own(300)),
            Parameter::own(0.01),
            Parameter::own(-0.01),
        );

        return new StandInChannel(self::CHANNEL, LevelUnit::Decibel->value, $sensor, $tone, $scale);
    }

    /**
     * The other tones of the calibrator while somebody reads them: the next sounds as soon as one was taken, the chosen one again
     * behind them.
     *
     * @return list<array{float, float}> from when on, s, and how loud, dB
     */
    private static function further(Scene $scene, string $chosen): array
    {
        $tones = array_keys(AcousticTone::beside($scene->chosen, $chosen));
        $sounding = [];
        $steps = [
            AcousticProcedure::FURTHER_FOUND => AcousticProcedure::AS_FOUND,
            AcousticProcedure::FURTHER_LEFT => AcousticProcedure::AS_LEFT,
        ];
        foreach ($tones === [] ? [] : $steps as $step => $before) {
            // In a round what was read is confirmed at the end: there it is over once it was taken.
            $read = $scene->takenAt($before);
            $since = $scene->settledAt($before) ?? ($read === [] ? null : $read[\count($read) - 1]);
            if ($since === null || !$scene->cameTo($step)) {
                continue;
            }
            foreach ([$since, ...$scene->takenAt($step)] as $turn => $at) {
                $sounding[] = [$at, self::level($scene, (string) ($tones[$turn] ?? $tones[\count($tones) - 1]))];
            }
            $left = $scene->settledAt($step);
            $sounding = [...$sounding, ...($left === null ? [] : [[$left, self::level($scene, $chosen)]])];
        }

        return $sounding;
    }

    /** What a tone is certified to be, weighted as the unit is set, dB. */
    private static function level(Scene $scene, string $tone): float
    {
        $weighting = FrequencyWeighting::tryFrom($scene->said->text('weighting') ?? '');
        foreach ($scene->chosen->certificates ?? [] as $certificate) {
            foreach ($certificate->values as $value) {
                if (AcousticTone::nameOf($value, $certificate) === $tone) {
                    $hertz = AcousticTone::frequencyOf($value)?->value->toFloat();

                    return $value->certified->value->toFloat() + ($hertz === null ? 0.0 : $weighting?->at($hertz) ?? 0.0);
                }
            }
        }

        return is_numeric($tone) ? (float) $tone : self::TONE;
    }

    /** What of the tone does not arrive, dB. */
    private function lost(?string $fault): float
    {
        return match ($fault) {
            null, self::DRIFTED => 0.0,
            self::LOOSE => -2.6,
            self::WRONG_LEVEL => -20.0,
            default => throw NoSuchFault::of($this, $fault),
        };
    }

    private function drift(?string $fault): float
    {
        return $fault === self::DRIFTED ? -0.8 : 0.0;
    }
}
