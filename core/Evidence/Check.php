<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Derivation\Origin;

/** A check of one instrument against one reference, as it was walked through. */
final readonly class Check
{
    public function __construct(
        public string $id,
        public string $instrument,
        public \DateTimeImmutable $at,
        public ?string $reference,
        public CheckContent $content,
        public Walk $walk,
        public CheckNotes $notes,
    ) {
    }

    /** The same, its moment told in a zone: the day of a check is that of its site. */
    public function toldIn(\DateTimeZone $zone): self
    {
        if ($this->at->getTimezone()->getName() === $zone->getName()) {
            return $this;
        }
        $at = $this->at->setTimezone($zone);

        return new self($this->id, $this->instrument, $at, $this->reference, $this->content, $this->walk, $this->notes);
    }

    /** The same, told that another stands in its place. */
    public function replacedBy(string $check, string $instrument, InPlaceOf $why): self
    {
        $notes = $this->notes->replaced(new Replaced($check, $instrument, $why));

        return new self($this->id, $this->instrument, $this->at, $this->reference, $this->content, $this->walk, $notes);
    }

    /** @return list<string> the references that it leans on, each once: the one that it names first */
    public function leansOn(): array
    {
        return array_values(array_unique(array_filter([$this->reference, ...$this->content->leansOn()], \is_string(...))));
    }

    /** Where a number of it comes from: how it was got, when and by whom. */
    public function origin(string $how): Origin
    {
        return new Origin('check', $this->id, \sprintf('%s, %s %s', $how, $this->at->format('j M Y H:i'), $this->notes->who()));
    }

    /** Whether a step of its procedure was skipped, or jumped over while others were confirmed; either weighs the same. */
    public function missed(string $id): bool
    {
        return $this->walk->steps !== [] && !\in_array($this->step($id), [StepState::Done, StepState::NotApplicable], true);
    }

    public function step(string $id): ?StepState
    {
        return $this->walk->steps[$id] ?? null;
    }

    /** As they follow each other; of one moment by identifier. */
    public static function inOrder(self $a, self $b): int
    {
        return [$a->at, $a->id] <=> [$b->at, $b->id];
    }
}
