<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/**
 * What a report is asked to be: of which campaign, for whom, and which of its runs. Who leaves runs out by name says so: the report tells
 * which of the campaign are not in it.
 */
final readonly class Asked
{
    private const LONGEST = 200;
    /** More is no report that anybody reads. */
    private const MOST_WITHOUT = 500;

    /**
     * @param array{person: string, instrument: string} $who     alone; empty: any
     * @param array{from: string, to: string}           $days    first and last, by the clocks of the site, Y-m-d; empty: without end
     * @param list<string>                              $without runs that are left out by name
     * @param bool                                      $schools whether it tells how other policies judge
     */
    private function __construct(
        public string $title,
        public string $askedBy,
        public string $campaign,
        public array $who,
        public array $days,
        public array $without,
        public bool $schools,
    ) {
    }

    /** @throws InvalidRecord naming the field */
    public static function of(Fields $told): self
    {
        $title = self::line($told, 'title');
        $askedBy = self::line($told, 'askedBy');
        if ($title === '' || $askedBy === '') {
            throw new InvalidRecord($title === '' ? '/title' : '/askedBy', 'is missing.');
        }
        $days = ['from' => self::day($told, 'from'), 'to' => self::day($told, 'to')];
        if ($days['from'] !== '' && $days['to'] !== '' && $days['to'] < $days['from']) {
            throw new InvalidRecord('/to', 'lies before the first day.');
        }
        $without = $told->texts('without');
        if (\count($without) > self::MOST_WITHOUT) {
            throw new InvalidRecord('/without', \sprintf('must be a list of at most %d runs.', self::MOST_WITHOUT));
        }

        return new self(
            $title,
            $askedBy,
            $told->id('campaign'),
            ['person' => self::line($told, 'person'), 'instrument' => self::line($told, 'instrument')],
            $days,
            array_values(array_unique($without)),
            $told->flag('schools'),
        );
    }

    /** @return array<string, mixed> as it is kept */
    public function told(): array
    {
        return [
            'title' => $this->title,
            'askedBy' => $this->askedBy,
            'campaign' => $this->campaign,
            ...array_filter([...$this->who, ...$this->days], static fn (string $one): bool => $one !== ''),
            ...($this->without === [] ? [] : ['without' => $this->without]),
            ...($this->schools ? ['schools' => true] : []),
        ];
    }

    /**
     * Whether a run is in it.
     *
     * @param string $day of its start, by the clocks of the site, Y-m-d
     */
    public function takes(string $run, string $person, string $instrument, string $day): bool
    {
        return ($this->who['person'] === '' || $this->who['person'] === $person)
            && ($this->who['instrument'] === '' || $this->who['instrument'] === $instrument)
            && ($this->days['from'] === '' || $day >= $this->days['from'])
            && ($this->days['to'] === '' || $day <= $this->days['to'])
            && !\in_array($run, $this->without, true);
    }

    /** By what it was narrowed, in words; empty: the whole campaign. */
    public function narrowed(): string
    {
        return implode(', ', array_filter([
            $this->who['person'] === '' ? '' : 'person '.$this->who['person'],
            $this->who['instrument'] === '' ? '' : 'unit '.$this->who['instrument'],
            $this->days['from'] === '' ? '' : 'from '.$this->days['from'],
            $this->days['to'] === '' ? '' : 'to '.$this->days['to'],
            $this->without === [] ? '' : 'some left out by name',
        ], static fn (string $one): bool => $one !== ''));
    }

    private static function line(Fields $told, string $name): string
    {
        $line = $told->optionalText($name, self::LONGEST) ?? '';
        if (str_contains($line, "\n")) {
            throw new InvalidRecord('/'.$name, 'must be one line.');
        }

        return $line;
    }

    private static function day(Fields $told, string $name): string
    {
        $day = $told->optionalText($name) ?? '';
        $read = $day === '' ? null : \DateTimeImmutable::createFromFormat('!Y-m-d', $day);
        if ($day !== '' && (!$read instanceof \DateTimeImmutable || $read->format('Y-m-d') !== $day)) {
            throw new InvalidRecord('/'.$name, 'must be a day, such as 2026-11-17.');
        }

        return $day;
    }
}
