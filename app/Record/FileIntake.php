<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Files\Cleaned;
use Footnote\App\Files\UnreadableFile;
use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Logbook\Row\KeptFile;
use Footnote\App\Storage\RecordFile;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** The photos and documents of a record, each as it was kept. */
final readonly class FileIntake
{
    public function __construct(private Intake $intake)
    {
    }

    /** @throws InvalidRecord where one is not what the record says, or tells of where it was taken */
    public function take(Fields $record, RecordFile $file, string $actor): void
    {
        foreach ($record->objects('files') as $item) {
            $bytes = (string) file_get_contents($file->beside($item->text('file'), '/files', 'the file'));
            $of = $item->object('of');
            $this->refuseOther($item, $bytes);
            $this->intake->addNew(
                KeptFile::of(
                    $item->id('id'),
                    [$of->text('kind'), $of->text('id')],
                    Intake::without($item, 'id', 'of', 'sha256', 'size', 'file'),
                    $bytes,
                    $actor,
                    $this->intake->now(),
                ),
                $item,
            );
        }
    }

    private function refuseOther(Fields $item, string $bytes): void
    {
        if (hash('sha256', $bytes) !== $item->text('sha256')) {
            throw new InvalidRecord($item->at('sha256'), 'is not the digest of the file that lies beside the record.');
        }
        if ($item->has(KeptFiles::LINES_TOLD) && $item->text('type') === KeptFiles::LINES) {
            return;
        }
        try {
            $cleaned = Cleaned::of($bytes);
        } catch (UnreadableFile $problem) {
            throw new InvalidRecord($item->at('file'), $problem->getMessage());
        }
        if ($cleaned->bytes !== $bytes || $cleaned->type !== $item->text('type')) {
            throw new InvalidRecord($item->at('file'), 'is not as Footnote keeps it: it tells of where or by what it was made.');
        }
    }
}
