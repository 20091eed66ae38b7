<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Http\Kit\DueDates;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Office\KitDates;

/**
 * What falls due, with what that comes to today.
 *
 * @phpstan-import-type Dated from KitDates
 */
final readonly class DatesPresenter
{
    public function __construct(private KitDates $dates, private SiteClock $site)
    {
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        $dates = DueDates::at($this->site);
        $all = $this->dates->all();
        $items = array_map(static fn (array $item): array => self::item($item, $dates), $all['items'] ?? []);
        $states = array_count_values(array_column($items, 'state'));

        return [
            'today' => $dates->now->format('Y-m-d'),
            'zone' => $dates->now->getTimezone()->getName(),
            'known' => $all !== null,
            'waiting' => $all['waiting'] ?? 0,
            'over' => $states['past'] ?? 0,
            'soon' => $states['soon'] ?? 0,
            'soonDays' => DueDates::SOON,
            'items' => $items,
        ];
    }

    /**
     * @param Dated $item
     *
     * @return non-empty-array<string, mixed>&array{state: string}
     */
    private static function item(array $item, DueDates $dates): array
    {
        $due = $item['due'];
        $until = $due['until'] === null ? null : (new \DateTimeImmutable($due['until']))->setTimezone($dates->now->getTimezone());

        return [
            'owner' => $item['owner'],
            'id' => $item['id'],
            'model' => $item['model'],
            ...$due,
            'day' => $until?->format('Y-m-d'),
            'state' => $until !== null && $dates->now > $until ? 'past' : $dates->state($until?->format('Y-m-d')),
            'holdsUp' => $item['holdsUp'],
            'minutes' => $item['minutes'],
            'note' => $item['note'],
        ];
    }
}
