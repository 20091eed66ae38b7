<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** What may be told of a run: what every run has, and what its family asks beside it. */
final readonly class RunFields
{
    private const STARTED = [
        'instrument', 'start', 'stop', 'person', 'task', 'place', 'shift', 'ofPlace', 'plannedMinutes',
        'shiftMinutes',
    ];
    /** What was said when it started, and may be said rightly later. */
    private const CORRECTED = ['instrument', 'start', 'person', 'task', 'place'];

    private const LEARNED = [
        'stop', 'timesFrom', 'clockOffsetSeconds', 'timerMinutes', 'plannedMinutes', 'shiftMinutes', 'shift',
        'ofPlace', 'totals', 'remarks', 'pauses', 'exclusions', 'leftIn', 'restOfDay', 'logWord', 'declaration',
    ];

    public function __construct(private Formats $families)
    {
    }

    /** @return list<string> the fields that only its family asks for */
    public function ofFamily(string $family): array
    {
        return Entry::names($this->families->of($family)->run());
    }

    /** @return array<string, mixed> of a run that starts */
    public function started(Fields $told, string $family): array
    {
        return self::only($told, [...self::STARTED, ...$this->ofFamily($family)], 'campaign', 'despite');
    }

    /** @return array<string, mixed> of what is learned later */
    public function learned(Fields $told, string $family): array
    {
        return self::only($told, [...self::CORRECTED, ...self::LEARNED, ...$this->ofFamily($family)], 'reason', 'seen');
    }

    /**
     * What nobody asked for is refused and not dropped: somebody meant something by it.
     *
     * @param list<string> $asked
     *
     * @return array<string, mixed>
     */
    private static function only(Fields $told, array $asked, string ...$beside): array
    {
        foreach (array_keys($told->data()) as $name) {
            if (!\in_array($name, [...$asked, ...$beside], true)) {
                throw Problem::field('/'.$name, 'is not asked here. Nothing was saved.');
            }
        }

        return array_intersect_key($told->data(), array_flip($asked));
    }
}
