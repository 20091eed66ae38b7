<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Named;
use Footnote\App\Logbook\RunsSought;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;

/**
 * Finds what somebody looks for by a few words: units and references, also by their serial numbers and certificates, runs, people,
 * tasks, checks, media that were sampled, campaigns and reports. What is called exactly so stands first, then what begins so.
 *
 * @phpstan-type Found array{kind: string, id: string, words: string}
 * @phpstan-type Told array{id: string, said: list<string>, by: list<string>}
 */
final readonly class Finder
{
    /** So many of a kind are told. */
    private const EACH = 6;

    public function __construct(
        private Logbook $logbook,
        private ClientReports $reports,
        private Named $named,
        private SiteClock $site,
    ) {
    }

    /** @return list<Found> what it is, its name, and what else stands there */
    public function find(string $text): array
    {
        $words = RunsSought::words($text);
        if ($words === []) {
            return [];
        }
        $names = $this->named->ofRuns();
        $found = [
            ...self::among('instrument', array_map(self::ofKit(...), $this->logbook->instrumentRecords()), $words),
            ...self::among('reference', array_map(self::ofKit(...), $this->logbook->referenceRecords()), $words),
            ...$this->runs($text),
            ...$this->checks($text),
            ...self::among('person', array_map(self::named(...), $names['persons']), $words),
            ...self::among('task', array_map(self::named(...), $names['tasks']), $words),
            ...self::among('campaign', array_map(static fn (array $one): array => [
                'id' => Cells::text($one, 'id'),
                'said' => [Cells::text($one, 'title'), Cells::text($one, 'site')],
                'by' => [],
            ], $this->named->campaigns()), $words),
            ...self::among('report', array_map(static fn (array $one): array => [
                'id' => $one['id'],
                'said' => [Cells::text($one['asked'], 'title'), Cells::text($one['asked'], 'askedBy')],
                'by' => [],
            ], $this->reports->all()), $words),
        ];
        // Of what is as near, kinds keep their order.
        usort($found, static fn (array $one, array $other): int => self::nearness($one['id'], $text)
            <=> self::nearness($other['id'], $text));

        return $found;
    }

    /** How near a name is to what was typed: 0 it is the same, 1 it begins so, 2 it does not. */
    private static function nearness(string $name, string $text): int
    {
        $text = trim($text);

        return mb_stripos($name, $text) === 0 ? (mb_strlen($name) === mb_strlen($text) ? 0 : 1) : 2;
    }

    /**
     * What is told of it anyway, and its certificates, by which it is found as well.
     *
     * @param array<string, mixed> $record of a unit or a reference
     *
     * @return Told
     */
    private static function ofKit(array $record): array
    {
        $serial = $record['serial'] ?? null;

        return [
            'id' => Cells::text($record, 'id'),
            'said' => [Cells::text($record, 'model'), ...(\is_string($serial) && $serial !== '' ? ['serial number '.$serial] : [])],
            'by' => array_map(
                static fn (array $one): string => 'certificate '.Cells::text($one, 'number').' of '.Cells::text($one, 'laboratory'),
                Cells::rows($record, 'certificates'),
            ),
        ];
    }

    /** @return Told */
    private static function named(string $name): array
    {
        return ['id' => $name, 'said' => [], 'by' => []];
    }

    /**
     * @param array<int|string, Told> $things
     * @param non-empty-list<string>  $words
     *
     * @return list<Found> those in which every word stands, the nearest first
     */
    private static function among(string $kind, array $things, array $words): array
    {
        $found = [];
        foreach ($things as ['id' => $id, 'said' => $said, 'by' => $by]) {
            $own = implode("\n", [$id, ...$said]);
            if (self::missing($words, $own."\n".implode("\n", $by)) !== []) {
                continue;
            }
            // Of the rest only that is told by which it was found.
            $wanted = self::missing($words, $own);
            $told = array_filter($by, static fn (string $one): bool => \count(self::missing($wanted, $one)) < \count($wanted));
            $found[] = ['kind' => $kind, 'id' => $id, 'words' => implode(', ', [...$said, ...$told])];
        }
        $text = implode(' ', $words);
        usort($found, static fn (array $one, array $other): int => [self::nearness($one['id'], $text), $one['id']]
            <=> [self::nearness($other['id'], $text), $other['id']]);

        return \array_slice($found, 0, self::EACH);
    }

    /**
     * @param list<string> $words
     *
     * @return list<string> those that do not stand in a text
     */
    private static function missing(array $words, string $text): array
    {
        return array_values(array_filter($words, static fn (string $word): bool => mb_stripos($text, $word) === false));
    }

    /** @return list<Found> the newest first, by whatever stands of a run */
    private function runs(string $text): array
    {
        return array_map(fn (array $row): array => [
            'kind' => 'run',
            'id' => Cells::text($row, 'run_id'),
            'words' => implode(', ', [
                Cells::text($row, 'instrument_id'),
                Cells::text($row, 'person'),
                Cells::text($row, 'task'),
                $this->day(Cells::text($row, 'started_at')),
                ...(\is_string($row['medium']) ? ['medium '.$row['medium']] : []),
            ]),
        ], $this->named->runs($text, self::EACH));
    }

    /** @return list<Found> by its number alone: what else stands of a check is found at its unit */
    private function checks(string $text): array
    {
        return array_map(fn (array $row): array => [
            'kind' => 'check',
            'id' => Cells::text($row, 'id'),
            'words' => Cells::text($row, 'instrument_id').', '.$this->day(Cells::text($row, 'checked_at')),
        ], $this->named->checks($text, self::EACH));
    }

    private function day(string $stored): string
    {
        return Moments::of($stored)->setTimezone($this->site->zone())->format('j M Y');
    }
}
