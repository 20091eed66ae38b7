<?php

declare(strict_types=1);

namespace Footnote\App\Http\Office;

use Footnote\App\Access\Role;
use Footnote\App\Access\User;
use Footnote\App\Http\Bench\FitnessPresenter;
use Footnote\App\Http\Bench\UnitLinePresenter;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\FirstThings;
use Footnote\App\Logbook\Ledger;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\FitState;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\ReferenceKind;

/**
 * The way from an empty logbook to a first signed result: what stands of it, what comes next, and what the result still lacks.
 *
 * @phpstan-import-type Line from UnitLinePresenter
 * @phpstan-import-type Fit from FitnessPresenter
 * @phpstan-import-type LedgerRow from Ledger
 *
 * @phpstan-type FirstStep array{id: string, done: bool, optional: bool, may: bool, who: list<string>, lacks: list<string>}
 */
final readonly class FirstResultPresenter
{
    /** Who may write down what is done with a unit. */
    private const RECORD = [Role::Technician, Role::Hygienist, Role::Steward];

    /** Who may do what, as the addresses that do it ask. */
    private const BY = [
        'people' => [Role::Steward],
        'campaign' => [Role::Hygienist, Role::Steward],
        'unit' => self::RECORD,
        'reference' => [Role::Steward],
        'check' => self::RECORD,
        'run' => self::RECORD,
        'stop' => self::RECORD,
        'after' => self::RECORD,
        'shown' => self::RECORD,
        'sign' => [Role::Hygienist],
    ];

    public function __construct(
        private FirstThings $first,
        private Campaigns $campaigns,
        private UnitLinePresenter $lines,
        private FitnessPresenter $fitness,
        private Retirements $retirements,
        private Logbook $logbook,
        private Ledger $ledger,
        private Assessor $assessor,
        private Formats $formats,
        private SiteClock $site,
    ) {
    }

    /**
     * @return array{steps: list<FirstStep>, unit: string|null, run: string|null, kinds: list<string>, verdict: string|null} without steps
     *                                                                                                                         it is behind
     */
    public function of(User $user): array
    {
        if ($this->first->areBehind()) {
            return ['steps' => [], 'unit' => null, 'run' => null, 'kinds' => [], 'verdict' => null];
        }
        $run = $this->first->newestRun();
        $line = $this->line($run['unit'] ?? null);
        $unit = $line === null ? null : Cells::text($line['unit'], 'id');
        $result = $run === null ? null : $this->ledger->page(new LedgerChoice(runs: [$run['run']]), 1, 0)->rows[0] ?? null;
        $fit = $unit === null ? null : $this->fitness->all()['='.$unit] ?? null;
        $isChecked = $line !== null && $line['lastCheck'] !== null;
        $hasRun = $run !== null;
        $steps = [
            $this->step($user, 'people', $this->first->hasOthers(), optional: true),
            $this->step($user, 'campaign', $this->campaigns->newest() !== null),
            $this->step($user, 'unit', $unit !== null),
            $this->step($user, 'reference', $unit !== null && $this->isServed($unit)),
            // A unit that was checked and may not go out for it is not ready.
            $this->step(
                $user,
                'check',
                $isChecked && ($hasRun || $fit === null || $fit['state'] === FitState::Fit->value),
                lacks: $isChecked && !$hasRun && $fit !== null && $fit['state'] !== FitState::Fit->value ? $fit['against'] : [],
            ),
            $this->step($user, 'run', $hasRun),
            $this->step($user, 'stop', $run['stopped'] ?? false),
            $this->step($user, 'after', ($run['stopped'] ?? false) && !$this->isHeld($line, $run['run'])),
            $this->step($user, 'shown', ($result['results'] ?? []) !== []),
            $this->step($user, 'sign', false, lacks: $result === null ? [] : self::lacks($result)),
        ];

        return [
            'steps' => $steps,
            'unit' => $unit,
            'run' => $run['run'] ?? null,
            'kinds' => $line === null ? [] : $this->kinds(Cells::text($line['unit'], 'family')),
            'verdict' => $result['verdict'] ?? null,
        ];
    }

    /**
     * @param list<string> $lacks
     *
     * @return FirstStep
     */
    private function step(User $user, string $id, bool $done, bool $optional = false, array $lacks = []): array
    {
        return [
            'id' => $id,
            'done' => $done,
            'optional' => $optional,
            'may' => array_filter(self::BY[$id] ?? [], $user->has(...)) !== [],
            'who' => array_map(static fn (Role $role): string => $role->value, self::BY[$id] ?? []),
            'lacks' => $lacks,
        ];
    }

    /** @return Line|null of the unit that was used last, else of one that was checked, else of any; of none for practice or out of use */
    private function line(?string $used): ?array
    {
        $retired = $this->retirements->instruments();
        $lines = array_filter(
            $this->lines->all(),
            static fn (array $line): bool => ($line['unit']['practice'] ?? false) !== true
                && !isset($retired['='.Cells::text($line['unit'], 'id')]),
        );
        $own = $used === null ? null : $lines['='.$used] ?? null;
        $checked = array_filter($lines, static fn (array $line): bool => $line['lastCheck'] !== null);

        return $own ?? array_values($checked)[0] ?? array_values($lines)[0] ?? null;
    }

    private function isServed(string $unit): bool
    {
        $instrument = $this->logbook->instrument($unit);
        $inUse = $this->retirements->inUse($this->logbook->references());

        return $instrument !== null
            && $this->assessor->family($instrument->family)->bench()->choices($instrument, $inUse, $this->site->now()) !== [];
    }

    /** @param Line|null $line */
    private function isHeld(?array $line, string $run): bool
    {
        return $line !== null && \in_array($run, array_column($line['hold'], 'id'), true);
    }

    /** @return list<string> kinds of references that the family writes down, of which one can serve */
    private function kinds(string $family): array
    {
        return array_map(
            static fn (ReferenceKind $kind): string => $kind->id,
            $this->formats->of($family)->referenceKinds(),
        );
    }

    /**
     * What is against a result as it stands, with what lifts it.
     *
     * @param LedgerRow $row
     *
     * @return list<string>
     */
    private static function lacks(array $row): array
    {
        return array_map(
            static fn (array $finding): string => $finding['title'].': '.$finding['seen']
                .($finding['cure'] === null ? '' : ' Lifts it: '.$finding['cure']['evidence'].', '.$finding['cure']['until'].'.'),
            $row['weighty'],
        );
    }
}
