<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\App\Access\User;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\RecallList;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** That a recall of a reference or a unit, made in error, is taken back by another word; it stays on record. */
#[Exclude]
final readonly class RecallTakenBack
{
    private function __construct(private int $place, private string $reason)
    {
    }

    /** @throws Problem where nobody says why */
    public static function of(int $place, Fields $told): self
    {
        $reason = $told->optionalText('reason', 2000) ?? '';

        return $reason === '' ? throw Problem::field('/reason', 'say why it is taken back.') : new self($place, $reason);
    }

    /** @return array<string, int|string> as the journal has it, beside what was recalled */
    public function entry(): array
    {
        return [RecallList::TAKES_BACK => $this->place, 'reason' => $this->reason];
    }

    /**
     * @param array<string, mixed> $record of what was recalled
     *
     * @return array<string, mixed> the word as it is written
     *
     * @throws Problem where there is no such recall any more
     */
    public function word(array $record, User $by, \DateTimeImmutable $at): array
    {
        if (!isset(RecallList::of(Fields::of($record))->open()[$this->place])) {
            throw new Problem(409, 'This recall is not there, or was taken back already. Nothing was changed.');
        }

        return [...$this->entry(), 'at' => $at->format(\DATE_ATOM), 'by' => $by->code];
    }
}
