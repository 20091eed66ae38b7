<?php

declare(strict_types=1);

namespace Footnote\App\Files;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\FileOf;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Row\KeptFile;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Numbers;
use Psr\Clock\ClockInterface;

/** Takes a photo or a document in: cleaned, with its digest, by whom and when. */
final readonly class KeepFile
{
    /** So many files has one thing at most. */
    public const MOST = 40;

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private KeptFiles $files,
        private Drafts $drafts,
        private Numbers $numbers,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string $place of a reading within the check, such as "asFound/0"; empty: of the whole
     *
     * @return string its number
     *
     * @throws Problem where it is not kept, and why
     */
    public function __invoke(User $by, FileOf $kind, string $of, string $place, string $name, string $note, string $bytes): string
    {
        $this->files->refuseUnknown($kind, $of);
        if ($kind === FileOf::Draft) {
            $this->drafts->open($of);
        }
        $known = $this->files->of($kind, $of);
        if (\count($known) >= self::MOST) {
            throw Problem::field('/file', \sprintf('would be one more than %d. Nothing was kept.', self::MOST));
        }
        try {
            $file = Cleaned::of($bytes);
        } catch (UnreadableFile $problem) {
            throw Problem::field('/file', $problem->getMessage().' Nothing was kept.');
        }
        $record = array_filter([
            'name' => $name === '' ? 'without a name' : $name,
            'type' => $file->type,
            'place' => $place,
            'note' => $note,
            'removed' => $file->removed,
            'by' => $by->code,
            'at' => $this->clock->now()->format(\DATE_ATOM),
        ], static fn (mixed $told): bool => $told !== '' && $told !== []);
        $sha256 = hash('sha256', $file->bytes);
        foreach ($known as $there) {
            // The answer was lost, or the same was chosen twice: it is there.
            if (Cells::text($there, 'sha256') === $sha256 && Cells::text($there, 'place') === $place) {
                return Cells::text($there, 'id');
            }
        }
        $told = [$kind->value => $of, 'of' => $kind->value.' '.$of, 'sha256' => $sha256, 'name' => $record['name']];

        return $this->journal->during($by->code, 'file kept', $told, function () use ($by, $kind, $of, $record, $file): string {
            $id = $this->numbers->next('kept_file', 'F-%05d');
            $this->entities->persist(KeptFile::of($id, [$kind->value, $of], $record, $file->bytes, $by->code, $this->clock->now()));

            return $id;
        });
    }
}
