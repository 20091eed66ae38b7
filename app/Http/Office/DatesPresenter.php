<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Http\Kit\DueDates;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Office\DueItem;
use Footnote\App\Office\KitDates;

/** What falls due, with what that comes to today. */
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
        $items = array_map(static fn (DueItem $item): array => self::item($item, $dates), $all['items'] ?? []);
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

    /** @return non-empty-array<string, mixed>&array{state: string} */
    private static function item(DueItem $item, DueDates $dates): array
    {
        $day = $item->until($dates->now->getTimezone())?->format('Y-m-d');

        return [
            'owner' => $item->owner,
            'id' => $item->id,
            'model' => $item->model,
            ...$item->due,
            'day' => $day,
            'state' => match (true) {
                $item->isOnlyBeforeUse($dates->now) => 'before use',
                $day !== null && $item->isOverAt($dates->now) => 'past',
                // What is done every day anyway is not pointed out weeks ahead.
                $item->due['daily'] => 'in date',
                default => $dates->state($day),
            },
            'holdsUp' => $item->holdsUp,
            'minutes' => $item->takes?->whole(),
            'assumed' => $item->takes->isAssumed ?? false,
            'note' => $item->note,
        ];
    }
}
