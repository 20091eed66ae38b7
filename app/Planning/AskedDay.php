<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\Period;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Planning\Demands;
use Footnote\Core\Planning\DemandsOfUnits;
use Footnote\Core\Planning\Handling;
use Footnote\Core\Planning\Member;
use Footnote\Core\Planning\Pins;
use Footnote\Core\Planning\Places;
use Footnote\Core\Planning\Wanted;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Whole;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** What somebody wants of a day: typed in as hours of the site, read into moments. */
#[Exclude]
final readonly class AskedDay
{
    private const MOST_WANTED = 40;
    private const MOST_CREW = 6;
    private const MOST_WAYS = 60;

    /** The longest that hands are on anything, or somebody is on the way, min. */
    private const LONGEST = 600;

    /**
     * @param list<Wanted>                $wanted
     * @param list<array<string, mixed>>  $rows    each as it was asked, person, task and sample too
     * @param non-empty-list<Member>      $crew
     * @param array<string, mixed>        $told    all of it as it was asked
     */
    private function __construct(
        public string $campaign,
        public array $wanted,
        public array $rows,
        public array $crew,
        public Places $places,
        public Handling $handling,
        public array $told,
    ) {
    }

    /** @param list<string> $families that there are */
    public static function of(Fields $told, \DateTimeZone $zone, array $families, Demands $demands): self
    {
        return Whole::read($told, static fn (Fields $all): self => self::read($all, $zone, $families, $demands));
    }

    /** @param list<string> $families */
    private static function read(Fields $told, \DateTimeZone $zone, array $families, Demands $demands): self
    {
        $day = $told->text('day');
        Period::day('day', $day, $zone);
        $base = $told->text('base');
        $wanted = [];
        $rows = self::rows($told, 'wanted', self::MOST_WANTED);
        if ($rows === []) {
            $told->refuse('wanted', 'names nothing to measure.');
        }
        foreach ($rows as $place => $row) {
            $family = $row->text('family');
            if (!\in_array($family, $families, true)) {
                $row->refuse('family', 'is no kind of instrument that there is.');
            }
            $pins = new Pins($row->optionalText('unit', 40), $row->optionalText('by', 80));
            $words = $row->text('person').', '.$row->text('task');
            $wanted[] = new Wanted(
                (string) ($place + 1),
                $words,
                $family,
                $row->text('place'),
                self::hours($row, $day, $zone),
                $pins,
                self::demanded($row, $demands->of($family)),
            );
        }
        $crew = [];
        foreach (self::rows($told, 'crew', self::MOST_CREW) as $row) {
            $name = $row->text('name');
            if (\in_array($name, array_map(static fn (Member $one): string => $one->name, $crew), true)) {
                $row->refuse('name', 'is there twice.');
            }
            $crew[] = new Member($name, self::hours($row, $day, $zone));
        }
        if ($crew === []) {
            $told->refuse('crew', 'names nobody.');
            $crew = [new Member('nobody', new Span(new \DateTimeImmutable($day, $zone), new \DateTimeImmutable($day, $zone)))];
        }
        foreach ($rows as $place => $row) {
            $by = $wanted[$place]->pins->by;
            if ($by !== null && !\in_array($by, array_map(static fn (Member $one): string => $one->name, $crew), true)) {
                $row->refuse('by', 'is not among those who are there.');
            }
        }
        $ways = array_map(
            static fn (Fields $row): array => [$row->text('one'), $row->text('other'), self::minutes($row, 'minutes', 0)],
            self::rows($told, 'ways', self::MOST_WAYS),
        );
        $places = new Places($base, $ways);
        $unknown = $places->unknownAmong(...array_map(static fn (Wanted $one): string => $one->place, $wanted));
        if ($unknown !== null) {
            $told->refuse('ways', \sprintf('do not say how long it takes from %s to %s.', $unknown[0], $unknown[1]));
        }
        $hands = $told->object('handling');
        $handling = new Handling(
            self::minutes($hands, 'switchOn', 1),
            self::minutes($hands, 'fit', 1),
            self::minutes($hands, 'takeOff', 1),
            self::minutes($hands, 'notSooner', 1),
        );
        if ($handling->notSooner < $handling->fit) {
            $hands->refuse('notSooner', 'must leave the time for fitting.');
        }
        $data = array_map(static fn (Fields $row): array => $row->data(), $rows);

        return new self($told->text('campaign'), $wanted, $data, $crew, $places, $handling, $told->data());
    }

    private static function demanded(Fields $row, ?DemandsOfUnits $demands): Traits
    {
        $told = $row->optionalObject('demands');
        if ($told !== null && $demands === null) {
            $row->refuse('demands', 'cannot be said of this kind of instrument.');
        }

        return $told === null || $demands === null ? new Traits() : EntryReader::read($told, $demands->entries());
    }

    /**
     * What is asked of the sample of a measurement.
     *
     * @param int $place of the measurement, from 0
     *
     * @return array<mixed> empty where it draws none
     */
    public function sample(int $place): array
    {
        $sample = $this->rows[$place]['sample'] ?? [];

        return \is_array($sample) ? $sample : [];
    }

    /** @return list<Fields> */
    private static function rows(Fields $told, string $name, int $most): array
    {
        $rows = $told->objects($name);
        if (\count($rows) > $most) {
            $told->refuse($name, \sprintf('may be %d at most.', $most));
        }

        return \array_slice($rows, 0, $most);
    }

    /** From one hour of the site to another: one that is not later is of the next day. */
    private static function hours(Fields $row, string $day, \DateTimeZone $zone): Span
    {
        $from = self::hour($row, 'from', $day, $zone);
        $to = self::hour($row, 'to', $day, $zone);
        if ($to <= $from) {
            $to = self::hour($row, 'to', $from->modify('+1 day')->format('Y-m-d'), $zone);
        }

        return new Span($from, max($from, $to));
    }

    private static function hour(Fields $row, string $name, string $day, \DateTimeZone $zone): \DateTimeImmutable
    {
        $hour = $row->text($name);
        if (preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $hour) !== 1) {
            $row->refuse($name, 'must be an hour such as 07:30.');
            $hour = '00:00';
        }

        return new \DateTimeImmutable($day.' '.$hour, $zone);
    }

    private static function minutes(Fields $row, string $name, int $least): int
    {
        $minutes = $row->decimal($name, (string) $least, (string) self::LONGEST);

        return (int) ceil($minutes->value->toFloat());
    }
}
