<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;

/**
 * What a site says of a thing of its kit beside what was registered: where it is, whose it is, what belongs to it. The newest word counts
 * whole. Nothing of it judges a run; a plan does not take what is not there.
 */
final readonly class KitWord
{
    public const HERE = 'here';
    public const OUT = 'out';
    public const LOST = 'lost';

    private function __construct(private Traits $word)
    {
    }

    /** @return list<Entry> */
    public static function entries(): array
    {
        return [
            Entry::choice('state', 'It is', [self::HERE => 'here', self::OUT => 'out of the house', self::LOST => 'lost'], true),
            Entry::text('place', 'Where', help: 'A shelf, a case; or who has it'),
            Entry::text('since', 'Since', help: 'A day such as 2026-03-02'),
            Entry::choice('owner', 'It is ours, hired or lent', ['own' => 'ours', 'hired' => 'hired', 'lent' => 'lent to us']),
            Entry::text('whose', 'Whose')->onlyWith('owner', 'hired', 'lent'),
            Entry::text('until', 'Goes back on', help: 'A day such as 2026-03-02')->onlyWith('owner', 'hired', 'lent'),
            Entry::text('firmware', 'Firmware'),
            Entry::rows('belongs', 'What belongs to it', [
                Entry::text('what', 'What', true, 'Adapter, tubing, cap, filter, battery, sensor, box of media'),
                Entry::text('until', 'Exchanged or used up by', help: 'A day such as 2026-03-02'),
                Entry::flag('missing', 'Missing'),
            ]),
            Entry::text('ordered', 'Another one is ordered', help: 'When, of whom, until when it comes'),
            Entry::text('remark', 'Remark'),
        ];
    }

    /** @throws InvalidRecord naming every field that is wrong */
    public static function read(Fields $told): self
    {
        return Whole::read($told, static function (Fields $all): self {
            $word = EntryReader::read($all, self::entries());
            foreach (['since', 'until'] as $day) {
                if ($word->text($day) !== null) {
                    $all->day($day);
                }
            }

            foreach ($all->objects('belongs') as $row) {
                if ($row->optionalText('until') !== null) {
                    $row->day('until');
                }
            }

            return new self($word);
        });
    }

    /** @return list<array{what: string, day: string}> what has a day of its own: what is exchanged by then, and when it goes back */
    public function dated(): array
    {
        $dated = [];
        // What is lost is not looked after any more, but may be owed.
        foreach ($this->word->text('state') === self::LOST ? [] : $this->word->rows('belongs') as $row) {
            $day = $row->text('until');
            if ($day !== null && !$row->flag('missing')) {
                $dated[] = ['what' => 'exchange: '.$row->text('what'), 'day' => $day];
            }
        }
        $until = $this->word->text('until');
        if ($until !== null) {
            $dated[] = ['what' => \sprintf('goes back to %s', $this->word->text('whose') ?? 'whoever lent it'), 'day' => $until];
        }

        return $dated;
    }

    /** What was said of another one that is ordered; empty where nothing was. */
    public function ordered(): string
    {
        return $this->word->text('ordered') ?? '';
    }

    /** Whether it is not to be had on a day, and why, in a sentence; null where it is. */
    public function keeps(\DateTimeImmutable $on): ?string
    {
        $state = $this->word->text('state');
        $until = $this->word->text('until');
        if ($state === self::LOST) {
            return 'It is lost.';
        }
        if ($state === self::OUT) {
            $place = $this->word->text('place');

            return $place === null ? 'It is out of the house.' : \sprintf('It is out of the house: %s.', $place);
        }

        return $until !== null && $on->format('Y-m-d') > $until
            ? \sprintf('It went back to %s on %s.', $this->word->text('whose') ?? 'whoever lent it', $until)
            : null;
    }

    /** @return list<string> what of what belongs to it is missing */
    public function missing(): array
    {
        $missing = array_filter($this->word->rows('belongs'), static fn (Traits $row): bool => $row->flag('missing'));

        return array_values(array_map(static fn (Traits $row): string => $row->text('what') ?? '', $missing));
    }

    /** @return list<string> what is packed with it */
    public function packed(): array
    {
        $there = array_filter($this->word->rows('belongs'), static fn (Traits $row): bool => !$row->flag('missing'));

        return array_values(array_map(static fn (Traits $row): string => $row->text('what') ?? '', $there));
    }
}
