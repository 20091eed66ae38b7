<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Where a hand can come to harm the step says so, short, before anything is done. */
final class CautionTest extends TestCase
{
    private const MONITOR = [
        'family' => 'gas-monitor', 'pumped' => true,
        'channels' => [
            ['name' => 'O2', 'kind' => 'oxygen', 'range' => '30'],
            ['name' => 'CO', 'kind' => 'carbon monoxide', 'range' => '500'],
            ['name' => 'PID', 'kind' => 'photoionisation', 'lamp' => '10.6', 'range' => '2000'],
        ],
    ];
    private const COUNTER = [
        'family' => 'particle-counter', 'kind' => 'airborne counter', 'nominalFlow' => ['value' => '2.83', 'unit' => 'L/min'],
        'sizes' => [['size' => '0.3']],
    ];

    /** @param array<string, mixed> $unit */
    #[TestWith([['family' => 'noise-dosimeter', 'microphone' => '1/2 in', 'rangeHigh' => '140'], 'steady', 'open ear'])]
    #[TestWith([self::MONITOR, 'mix-bottle', 'toxic or flammable'])]
    #[TestWith([self::MONITOR, 'mix-bottle', 'hand-tight'])]
    #[TestWith([self::MONITOR, 'mix-bottle', 'explosive'])]
    #[TestWith([self::MONITOR, 'zero-source', 'nitrogen suffocates'])]
    #[TestWith([self::MONITOR, 'isobutylene-bottle', 'lamp'])]
    #[TestWith([self::MONITOR, 'gas-off', 'never left on a cylinder'])]
    #[TestWith([self::MONITOR, 'log-resumed', 'no clearance to enter'])]
    #[TestWith([self::MONITOR, 'alarms', 'out of use'])]
    #[TestWith([self::COUNTER, 'cleaned', 'laser'])]
    #[TestWith([self::COUNTER, 'cleaned', 'Alcohol burns'])]
    public function testTheStepSaysWhatCanHurt(array $unit, string $step, string $words): void
    {
        $said = array_map(
            static fn (Step $one): string => $one->words->caution->words ?? '',
            array_filter(self::steps($unit), static fn (Step $one): bool => $one->id === $step),
        );
        self::assertNotSame([], $said, 'the step is there');
        self::assertStringContainsString($words, implode("\n", $said));
    }

    /**
     * @param array<string, mixed> $unit
     *
     * @return list<Step> of all its procedures
     */
    private static function steps(array $unit): array
    {
        $reader = new EvidenceReader(Families::formats());
        $instrument = $reader->instrument(Fields::of(['id' => 'U', 'model' => 'M', ...$unit]));
        $steps = [];
        foreach (Families::assessor()->family($instrument->family)->procedures($instrument) as $procedure) {
            array_push($steps, ...$procedure->steps);
        }

        return $steps;
    }

    /** A caution is a line where the hand is, not a page: it is read while one holds a cylinder. */
    public function testEachIsShort(): void
    {
        foreach ([self::MONITOR, self::COUNTER] as $unit) {
            foreach (self::steps($unit) as $step) {
                self::assertLessThanOrEqual(180, \strlen($step->words->caution->words ?? ''), $step->id);
            }
        }
    }
}
