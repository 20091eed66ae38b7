<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Planning\Able;
use Footnote\Core\Planning\DemandsOfUnits;
use Footnote\Core\Procedure\Entry;

/** What may be demanded of a unit with a microphone: levels that lie in its range, and its class. */
final readonly class AcousticDemands implements DemandsOfUnits
{
    private const FIRST = '1';

    public function entries(): array
    {
        return [
            Entry::decimal('levelsFrom', 'Levels from', '0', '200', LevelUnit::Decibel, help: 'What is expected there at least'),
            Entry::decimal('levelsTo', 'Levels up to', '0', '200', LevelUnit::Decibel, help: 'What is expected there at most, peaks apart'),
            Entry::decimal('peaksTo', 'Peaks up to', '0', '200', LevelUnit::Decibel),
            Entry::choice('class', 'Class', [self::FIRST => 'class 1', '2' => 'class 2 or better']),
        ];
    }

    public function able(Instrument $unit, Traits $demanded): Able
    {
        $traits = $unit->traits;
        $class = $traits->text('class') ?? '';
        $wanted = $demanded->text('class');
        // Class 1 is the better one (IEC 61672-1).
        $able = match (true) {
            $wanted === null || $class === $wanted || $class === self::FIRST => new Able(),
            $class === '' => Able::unknown(\sprintf('Its class is not on record, and class %s is wanted.', $wanted)),
            default => Able::lacking(\sprintf('It is of class %s, and class %s is wanted.', $class, $wanted)),
        };
        foreach ([
            ['levelsFrom', 'rangeLow', 'begins', true],
            ['levelsTo', 'rangeHigh', 'ends', false],
            ['peaksTo', $traits->decimal('peakRange') === null ? 'rangeHigh' : 'peakRange', 'for peaks ends', false],
        ] as [$demand, $trait, $does, $isLow]) {
            $level = $demanded->decimal($demand);
            $range = $traits->decimal($trait);
            if ($level === null) {
                continue;
            }
            $beyond = $range === null ? 0 : ($isLow ? 1 : -1) * $range->value->compareTo($level->value);
            $able = $able->and(match (true) {
                $range === null => Able::unknown(\sprintf('Its range is not on record, and %s dB are expected.', $level->written)),
                $beyond > 0 => Able::lacking(
                    \sprintf('Its range %s at %s dB, and %s dB are expected.', $does, $range->written, $level->written),
                ),
                default => new Able(),
            });
        }

        return $able;
    }
}
