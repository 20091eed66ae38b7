<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\Core\Planning\Demands;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\KeepsShelves;
use Footnote\Core\Record\UnitEntries;

/** What the forms call a field: whoever reads what is wrong with it looks for it by that name. */
final readonly class Labels
{
    /** Fields that every family has, and those of the office; what a family asks has its label where it is asked. */
    private const COMMON = [
        'at' => 'When',
        'clockOffsetSeconds' => 'Clock of the instrument ahead by',
        'despite' => 'Why it goes all the same',
        'due' => 'Due',
        'every' => 'Every',
        'id' => 'Asset number',
        'issued' => 'Issued',
        'laboratory' => 'Laboratory',
        'model' => 'Model code',
        'number' => 'Certificate number',
        'plannedMinutes' => 'Planned',
        'routine' => 'What',
        'serial' => 'Serial number',
        'shiftMinutes' => 'Working day',
        'start' => 'Started',
        'stop' => 'Stopped',
        'until' => 'Found wrong on',
    ];

    public function __construct(private Formats $families, private Demands $demands)
    {
    }

    /** Null where no form has a word of its own for it. */
    public function of(string $name): ?string
    {
        if (isset(self::COMMON[$name])) {
            return self::COMMON[$name];
        }
        foreach ($this->families->all() as $format) {
            foreach (self::asked($format) as $entries) {
                $label = self::among($entries, $name);
                if ($label !== null) {
                    return $label;
                }
            }
        }
        foreach ($this->demands->families() as $family) {
            $label = self::among($this->demands->of($family)?->entries() ?? [], $name);
            if ($label !== null) {
                return $label;
            }
        }

        return null;
    }

    /** @return list<list<Entry>> */
    private static function asked(ContentFormat $format): array
    {
        $asked = [$format->run(), UnitEntries::of($format), $format->check()];
        foreach ($format->referenceKinds() as $kind) {
            array_push($asked, $kind->entries, $kind->constants, $kind->table->beside ?? []);
        }
        foreach ($format instanceof KeepsShelves ? $format->shelves() : [] as $shelf) {
            $asked[] = $shelf->entries;
        }

        return $asked;
    }

    /** @param list<Entry> $entries */
    private static function among(array $entries, string $name): ?string
    {
        foreach ($entries as $entry) {
            $label = $entry->name === $name ? $entry->words->label : self::among($entry->among->rows, $name);
            if ($label !== null) {
                return $label;
            }
        }

        return null;
    }
}
