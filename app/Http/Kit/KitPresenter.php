<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Http\Bench\FitnessPresenter;
use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\UnitLines;
use Footnote\App\Storage\Cells;

/** The kit as it is listed. */
final readonly class KitPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Kit $kit,
        private UnitLines $lines,
        private SiteClock $site,
        private InstrumentPresenter $instruments,
        private ReferencePresenter $references,
        private FitnessPresenter $fitness,
        private KitPolicy $policy,
        private Retirements $retirements,
    ) {
    }

    /** @return array<string, mixed> */
    public function kit(): array
    {
        $used = $this->kit->lastUses();
        $dates = DueDates::at($this->site);
        $fit = $this->fitness->all();
        $retired = $this->retirements->instruments();
        $retiredReferences = $this->retirements->references();
        $policy = $this->policy->policy();
        $units = $this->lines->of(
            \sprintf('kit %s %s', $dates->now->format('Y-m-d'), $this->policy->key()),
            fn (string $id): array => [
                ...$this->instruments->undated($this->logbook->instrumentRecord($id) ?? [], $policy),
                'lastCheck' => $this->kit->lastCheck($id),
            ],
        );

        return [
            'instruments' => array_map(
                static fn (string $key, array $shown): array => [
                    ...InstrumentPresenter::dated($shown, $dates),
                    'fit' => $fit[$key] ?? null,
                    'retired' => $retired[$key] ?? null,
                ],
                array_keys($units),
                array_values($units),
            ),
            'references' => array_values(array_map(
                fn (array $record): array => [
                    ...$this->references->reference($record, $dates, $policy),
                    'left' => $this->references->left($record),
                    'lastUse' => $used[Cells::text($record, 'id')] ?? null,
                    'retired' => $retiredReferences['='.Cells::text($record, 'id')] ?? null,
                ],
                $this->logbook->referenceRecords(),
            )),
        ];
    }
}
