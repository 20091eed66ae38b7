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
                Entry::text('what', 'What', true, 'Adapter, tubing, cap, filter, battery, case'),
                Entry::flag('missing', 'Missing'),
            ]),
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

            return new self($word);
        });
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
