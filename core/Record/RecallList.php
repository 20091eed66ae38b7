<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Recall;

/** The recalls of a reference or a unit as they are written, one after the other: a later word may take an earlier one back. Both stay. */
final readonly class RecallList
{
    /** The place in the list of the recall that a word takes back. */
    public const TAKES_BACK = 'takesBack';

    /**
     * @param array<int, Fields> $recalls by their place
     * @param array<int, Fields> $back    the word that took it back, by the place of each
     */
    private function __construct(private array $recalls, private array $back)
    {
    }

    /** @throws InvalidRecord where a word takes back what is no recall before it */
    public static function of(Fields $owner): self
    {
        $recalls = [];
        $back = [];
        foreach ($owner->objects('recalls') as $place => $word) {
            if (!$word->has(self::TAKES_BACK)) {
                $recalls[$place] = $word;
                continue;
            }
            $of = $word->raw(self::TAKES_BACK);
            if (!\is_int($of) || !isset($recalls[$of])) {
                throw new InvalidRecord($word->at(self::TAKES_BACK), 'must be the place of a recall before it in the list.');
            }
            $back[$of] ??= $word;
        }

        return new self($recalls, $back);
    }

    /** @return array<int, Fields> those that nobody took back, by their place */
    public function open(): array
    {
        return array_diff_key($this->recalls, $this->back);
    }

    /**
     * @param \Closure(Fields): Recall $read
     *
     * @return list<Recall> those that stand
     */
    public function standing(\Closure $read): array
    {
        return array_map($read, array_values($this->open()));
    }

    /** @return list<array<string, mixed>> all of them with their place, and by whom, when and why each was taken back */
    public function told(): array
    {
        return array_map(fn (int $place, Fields $recall): array => [
            ...$recall->data(),
            'place' => $place,
            'takenBack' => isset($this->back[$place]) ? [
                'by' => $this->back[$place]->optionalText('by') ?? '',
                'at' => $this->back[$place]->optionalText('at') ?? '',
                'reason' => $this->back[$place]->text('reason'),
            ] : null,
        ], array_keys($this->recalls), array_values($this->recalls));
    }
}
