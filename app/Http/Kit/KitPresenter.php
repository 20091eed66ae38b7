<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Storage\Cells;

/** The kit as it is listed. */
final readonly class KitPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Kit $kit,
        private InstrumentPresenter $instruments,
        private ReferencePresenter $references,
    ) {
    }

    /** @return array<string, mixed> */
    public function kit(): array
    {
        $last = $this->kit->lastChecks();
        $used = $this->kit->lastUses();
        $units = $this->kit->instruments();

        return [
            'instruments' => array_map(
                fn (int|string $id, array $record): array => [
                    ...$this->instruments->instrument($record),
                    'lastCheck' => $last[$id] ?? null,
                ],
                array_keys($units),
                array_values($units),
            ),
            'references' => array_values(array_map(
                fn (array $record): array => [
                    ...$this->references->reference($record),
                    'left' => $this->references->left($record),
                    'lastUse' => $used[Cells::text($record, 'id')] ?? null,
                ],
                $this->logbook->referenceRecords(),
            )),
        ];
    }
}
