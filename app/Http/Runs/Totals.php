<?php

declare(strict_types=1);

namespace Footnote\App\Http\Runs;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\BringsTotals;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\HasCriteria;

/** Totals off the display of a unit: what may be written down, and what was. */
final class Totals
{
    /**
     * @param mixed $criteria that the campaign measures against, as they stand in a record
     *
     * @return list<Entry> each by its place in the totals; one for each criterion as "doses/pel"
     */
    public static function asked(ContentFormat $format, mixed $criteria): array
    {
        if (!$format instanceof BringsTotals) {
            return [];
        }
        $asked = $format->totals();
        $each = $format->totalOfEachCriterion();
        if ($each === null || !$format instanceof HasCriteria || !\is_array($criteria)) {
            return $asked;
        }
        foreach ($criteria as $one) {
            $criterion = Fields::of($one);
            if ($format->knowsCriterion($criterion)) {
                $asked[] = $each->as($each->name.'/'.$criterion->text('id'), $each->words->label.' '.$criterion->text('name'));
            }
        }

        return $asked;
    }

    /**
     * @param list<Entry> $asked
     *
     * @return list<array{label: string, value: string, unit: string, provenance: string}>
     */
    public static function shown(array $asked, mixed $totals): array
    {
        $shown = [];
        foreach ($asked as $entry) {
            $reading = $totals;
            foreach (explode('/', $entry->name) as $name) {
                $reading = \is_array($reading) ? ($reading[$name] ?? null) : null;
            }
            if (\is_array($reading) && \is_string($reading['value'] ?? null) && \is_string($reading['provenance'] ?? null)) {
                $shown[] = [
                    'label' => $entry->words->label,
                    'value' => $reading['value'],
                    'unit' => ($entry->scale->units[0] ?? CommonUnit::None)->value,
                    'provenance' => $reading['provenance'],
                ];
            }
        }

        return $shown;
    }
}
