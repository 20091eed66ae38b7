<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** By what runs are looked for; an empty text asks nothing. */
#[Exclude]
final readonly class RunsSought
{
    /** So many words are looked for at a time. */
    private const WORDS = 8;

    private const READ = ['s.run_id', 's.instrument_id', 's.person', 's.task', 's.place', "COALESCE(s.medium, '')"];

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
        return \count($this->conditions()) === ($this->campaign === '' ? 0 : 1);
    }

    /** @return list<array{string, list<string>}> each a condition on states s of runs, and its values */
    public function conditions(): array
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
        foreach (self::words($this->text) as $word) {
            $asked[] = Containing::any(self::READ, $word);
        }

        return $asked;
    }

    /** @return list<string> the words of a text that is looked for, the first of them where they are many */
    public static function words(string $text): array
    {
        $words = preg_split('/\s+/u', trim($text), -1, \PREG_SPLIT_NO_EMPTY);

        return \array_slice($words === false ? [] : $words, 0, self::WORDS);
    }
}
