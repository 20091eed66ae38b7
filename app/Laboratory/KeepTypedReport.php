<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Footnote\App\Access\User;
use Footnote\Core\Flow\LaboratoryRows;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;

/** A report that was typed row by row. */
final readonly class KeepTypedReport
{
    public function __construct(private LaboratoryKeeper $keeper)
    {
    }

    public function __invoke(User $by, Fields $told): void
    {
        $head = LaboratoryKeeper::head($told);
        $rows = [];
        $seen = [];
        foreach ($told->objects('rows') as $row) {
            LaboratoryRows::check($row);
            $key = $row->text('medium')."\0".$row->text('analyte');
            if (isset($seen[$key])) {
                throw new InvalidRecord(
                    $row->at('medium'),
                    \sprintf('%s on %s stands twice.', $row->text('analyte'), $row->text('medium')),
                );
            }
            $seen[$key] = true;
            $rows[] = array_filter(
                array_map(static fn (mixed $value): string => \is_string($value) ? trim($value) : '', $row->data()),
                static fn (string $value): bool => $value !== '',
            );
        }
        if ($rows === []) {
            throw new InvalidRecord('/rows', 'must hold at least one row.');
        }
        $this->keeper->keep(
            $head,
            [$rows],
            null,
            null,
            $told->optionalText('reason', 2000) ?? '',
            $by->code,
            static function (): void {},
        );
    }
}
