<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Platforms\AbstractPlatform;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** By what runs are looked for; an empty text asks nothing. */
#[Exclude]
final readonly class RunsSought
{
    /** So many words are looked for at a time. */
    private const WORDS = 8;

    /**
     * @param string      $text   words that each stand somewhere: in the name of the run, unit, person, task, place or medium
     * @param Period|null $period in which a run began; null: any
     */
    public function __construct(
        public string $campaign = '',
        public string $instrument = '',
        private string $family = '',
        private string $person = '',
        private string $task = '',
        private string $text = '',
        private ?Period $period = null,
    ) {
    }

    /** Whether it asks for nothing but a campaign. */
    public function isOfAll(): bool
    {
        return self::words($this->text) === [] && \count($this->exactly()) === ($this->campaign === '' ? 0 : 1);
    }

    /** @return list<array{string, list<string>}> each a condition on states s of runs, and its values */
    public function conditions(AbstractPlatform $platform): array
    {
        return [
            ...$this->exactly(),
            ...array_map(static fn (string $word): array => self::read(new Containing($platform, $word)), self::words($this->text)),
        ];
    }

    /** @return list<array{string, list<string>}> those that ask for a thing and not for words */
    private function exactly(): array
    {
        $asked = [];
        foreach ([
            's.campaign_id = ?' => $this->campaign,
            's.instrument_id = ?' => $this->instrument,
            's.instrument_id IN (SELECT i.id FROM instrument i WHERE i.family = ?)' => $this->family,
            's.person = ?' => $this->person,
            's.task = ?' => $this->task,
            's.started_at >= ?' => $this->period->from ?? '',
            's.started_at < ?' => $this->period->until ?? '',
        ] as $condition => $value) {
            if ($value !== '') {
                $asked[] = [$condition, [$value]];
            }
        }

        return $asked;
    }

    /** @return array{string, list<string>} that a word stands somewhere of a run; names of many runs are looked through once each */
    private static function read(Containing $word): array
    {
        $conditions = [
            ...array_map($word->in(...), ['s.run_id', 's.place', 's.medium']),
            's.instrument_id IN (SELECT i.id FROM instrument i WHERE '.$word->in('i.id').')',
            's.person IN ('.EachName::in('person').' AND '.$word->in('n').')',
            's.task IN ('.EachName::in('task').' AND '.$word->in('n').')',
        ];

        return ['('.implode(' OR ', $conditions).')', array_fill(0, \count($conditions), $word->pattern)];
    }

    /** @return list<string> the words of a text that is looked for, the first of them where they are many */
    public static function words(string $text): array
    {
        $words = preg_split('/\s+/u', trim($text), -1, \PREG_SPLIT_NO_EMPTY);

        return \array_slice($words === false ? [] : $words, 0, self::WORDS);
    }
}
