<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Sabre\VObject\Component\VCalendar;

/**
 * What falls due as a calendar that other programs read (RFC 5545, with the names of RFC 7986): a day for each thing that several units
 * or references are due for, and one of today for what is over or was never done, so that it does not stay behind in the past.
 *
 * @phpstan-import-type Planned from PlannedDays
 */
final readonly class DatesCalendar
{
    /** So many are named on the line that a calendar shows; more of them are counted there and named below. */
    private const NAMED = 4;

    /** How soon it is asked for again: what was checked meanwhile is due later. */
    private const AGAIN = 'PT4H';

    private const CAUTION = 'By the rules and limits of the policy of the newest campaign. The manual of the instrument and local rules '
        .'stand above. What it says is of the moment at which the calendar last asked: look at Dates before you lean on it. What is wanted '
        .'anew every day stands here while it counts; after that it is wanted before the unit goes out, and the day says so.';

    private const OF_PLANS = 'As it was planned last. What is done, and what that moves, stands in the plan: look at it before you leave.';

    public function __construct(private KitDates $dates, private PlannedDays $planned)
    {
    }

    /**
     * @param string             $page the address of the list in the application
     * @param \DateTimeImmutable $now  in the zone of the site
     *
     * @return string its lines, in UTF-8
     */
    public function of(CalendarAddress $address, string $page, \DateTimeImmutable $now): string
    {
        $choice = $address->choice();
        $calendar = new VCalendar([
            'PRODID' => '-//Footnote//Dates//EN',
            'METHOD' => 'PUBLISH',
            'NAME' => $address->title,
            'X-WR-CALNAME' => $address->title,
            'X-PUBLISHED-TTL' => self::AGAIN,
        ]);
        $calendar->add('REFRESH-INTERVAL', self::AGAIN, ['VALUE' => 'DURATION']);
        if ($choice->by === CalendarChoice::PERSON) {
            foreach ($this->planned->of($choice->person, $now) as $day) {
                self::addPlanned($calendar, $now, $day, $page);
            }
        } else {
            $this->addDates($calendar, $choice, $page, $now);
        }

        return $calendar->serialize();
    }

    private function addDates(VCalendar $calendar, CalendarChoice $choice, string $page, \DateTimeImmutable $now): void
    {
        $all = $this->dates->all();
        $items = array_values(array_filter($all['items'] ?? [], $choice->takes(...)));
        [$over, $ahead] = self::days($items, $now);
        $waiting = $all['waiting'] ?? 0;
        if ($over !== [] || $waiting > 0 || $all === null) {
            $lines = array_map(static fn (DueItem $item): string => self::line($item, true, $now), $over);
            if ($waiting > 0) {
                $lines[] = \sprintf('Of %d more it is being worked out what falls due: they are not in this calendar yet.', $waiting);
            }
            if ($all === null) {
                $lines[] = 'No campaign names a policy yet: nothing can be said of what falls due.';
            }
            $title = $over === [] ? 'Dates are not complete' : 'Over or never done: '.self::named($over);
            self::add($calendar, $now, ['over', $now, $title, $lines], $page);
        }
        foreach ($ahead as $key => $some) {
            $day = $some[0]->until($now->getTimezone()) ?? $now;
            $lines = array_map(static fn (DueItem $item): string => self::line($item, false, $now), $some);
            self::add($calendar, $now, [$key, $day, ucfirst($some[0]->due['what']).': '.self::named($some), $lines], $page);
        }
    }

    /** @param Planned $day */
    private static function addPlanned(VCalendar $calendar, \DateTimeImmutable $now, array $day, string $page): void
    {
        $utc = new \DateTimeZone('UTC');
        $calendar->add($calendar->createComponent('VEVENT', [
            'UID' => hash('sha256', $page.' '.$day['id']),
            'DTSTAMP' => $now->setTimezone($utc),
            'DTSTART' => $day['from']->setTimezone($utc),
            'DTEND' => $day['to']->setTimezone($utc),
            'SUMMARY' => $day['title'],
            'DESCRIPTION' => implode("\n", [...$day['lines'], '', self::OF_PLANS]),
            'URL' => \dirname($page).'/plan/'.$day['id'],
        ]));
    }

    /**
     * @param list<DueItem> $items
     *
     * @return array{list<DueItem>, array<string, non-empty-list<DueItem>>} what is over or was never done; the rest by day and what is done
     */
    private static function days(array $items, \DateTimeImmutable $now): array
    {
        $over = [];
        $ahead = [];
        foreach ($items as $item) {
            if ($item->isOnlyBeforeUse($now)) {
                continue;
            }
            if ($item->isOverAt($now)) {
                $over[] = $item;
            } else {
                $ahead[$item->until($now->getTimezone())?->format('Y-m-d').' '.$item->due['what']][] = $item;
            }
        }

        return [$over, $ahead];
    }

    /** @param non-empty-list<DueItem> $items */
    private static function named(array $items): string
    {
        $ids = array_values(array_unique(array_map(static fn (DueItem $item): string => $item->id, $items)));
        $more = \count($ids) - self::NAMED;

        return implode(', ', \array_slice($ids, 0, self::NAMED)).($more > 0 ? \sprintf(' and %d more', $more) : '');
    }

    private static function line(DueItem $item, bool $withWhat, \DateTimeImmutable $now): string
    {
        $due = $item->due;
        $until = $item->until($now->getTimezone());
        $held = array_values(array_diff($item->holdsUp, [$item->id]));

        return implode('', [
            $item->id.', '.$item->model,
            $withWhat ? ': '.$due['what'] : '',
            $due['channels'] === [] ? '' : ' of '.implode(', ', $due['channels']),
            $until === null ? ', never done as far as is known' : ', counts until '.$until->format('j M Y H:i'),
            $due['evidence'] === '' ? '' : ' ('.$due['evidence'].')',
            $held === [] ? '' : '; last checked on it: '.implode(', ', $held),
            $due['weighs'] === null ? '' : '; what is measured later: '.$due['weighs'],
            $item->takes === null
                ? ''
                : \sprintf('; takes %d min%s', $item->takes->whole(), $item->takes->isAssumed ? ' (assumed)' : ''),
            $item->note === '' ? '' : '; '.$item->note,
        ]);
    }

    /** @param array{string, \DateTimeImmutable, string, list<string>} $told its key, day, title and lines */
    private static function add(VCalendar $calendar, \DateTimeImmutable $now, array $told, string $page): void
    {
        [$key, $day, $title, $lines] = $told;
        $event = $calendar->createComponent('VEVENT', [
            'UID' => hash('sha256', $page.' '.$key),
            'DTSTAMP' => $now->setTimezone(new \DateTimeZone('UTC')),
            'SUMMARY' => $title,
            'DESCRIPTION' => implode("\n", [...$lines, '', self::CAUTION]),
            'URL' => $page,
            'TRANSP' => 'TRANSPARENT',
        ]);
        $event->add('DTSTART', $day->format('Ymd'), ['VALUE' => 'DATE']);
        $calendar->add($event);
    }
}
