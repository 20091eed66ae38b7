<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\KitWords;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Runs\FitLines;
use Footnote\App\Runs\FitToStart;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\CheckedByRoutine;
use Footnote\Core\Judgement\FallsDue;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\FitState;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Planning\Able;
use Footnote\Core\Planning\Clash;
use Footnote\Core\Planning\Demands;
use Footnote\Core\Planning\ReadyBy;
use Footnote\Core\Planning\Ties;
use Footnote\Core\Planning\UnitForDay;
use Footnote\Core\Planning\Wanted;
use Footnote\Core\Record\KitWord;
use Footnote\Core\Sheet\Sheets;

/**
 * Which units could go out on a day: by the same rules that say whether one may go out, asked at the beginning and at the end of what
 * each would measure, as far as it is known today.
 */
final readonly class KitForDay
{
    /** So many more units of a kind than are wanted are looked at: of a large kit those that may go out today come first. */
    private const MORE = 4;

    public function __construct(
        private Logbook $logbook,
        private Retirements $retirements,
        private PracticeUnits $practice,
        private FitLines $lines,
        private FitToStart $fit,
        private Policies $policies,
        private Assessor $assessor,
        private ModelSheets $sheets,
        private KitWords $words,
        private SiteClock $site,
        private Demands $demands,
    ) {
    }

    /**
     * @param list<Wanted> $wanted
     * @param list<Clash>  $others plans beside this one: what they hold is taken last, and said
     *
     * @return list<UnitForDay>
     */
    public function of(array $wanted, string $campaign, string $policy, array $others): array
    {
        $units = [];
        $references = $this->references($wanted);
        $words = $this->words->all('instruments');
        $sheets = $this->sheets->all();
        $held = $this->policies->get($policy);
        foreach ($this->looked($wanted) as $id) {
            $unit = $this->logbook->instrument($id);
            $own = array_values(array_filter($wanted, static fn (Wanted $one): bool => $one->family === $unit?->family));
            if ($unit !== null && $own !== []) {
                $units[] = self::beside($this->unit($unit, $own, $references, $words, $sheets, $campaign, $held), $own, $others);
            }
        }

        return $units;
    }

    /**
     * @param list<Wanted> $wanted
     * @param list<Clash>  $others
     */
    private static function beside(UnitForDay $unit, array $wanted, array $others): UnitForDay
    {
        foreach ($others as $other) {
            if (array_filter($wanted, static fn (Wanted $one): bool => $other->holds($unit, $one)) !== []) {
                $unit = $unit->wantedBy($other->plan);
            }
        }

        return $unit;
    }

    /**
     * @param list<Wanted> $wanted
     *
     * @return list<string> units of the kinds that are wanted, those that may go out first
     */
    private function looked(array $wanted): array
    {
        $lines = $this->lines->all() ?? [];
        $outOfUse = [...$this->retirements->instruments(), ...$this->practice->all()];
        $counts = array_count_values(array_map(static fn (Wanted $one): string => $one->family, $wanted));
        $pinned = array_map(static fn (Wanted $one): ?string => $one->pins->unit, $wanted);
        $order = array_flip(array_map(static fn (FitState $state): string => $state->value, FitState::cases()));
        $ranked = [];
        foreach ($this->logbook->instrumentRecords() as $record) {
            $id = Cells::text($record, 'id');
            $family = Cells::text($record, 'family');
            if (isset($counts[$family]) && !isset($outOfUse['='.$id])) {
                $rank = \in_array($id, $pinned, true) ? -1 : $order[$lines['='.$id]['state'] ?? FitState::CheckFirst->value];
                // Of a large kit not those are looked at that could do nothing of it.
                $ranked[] = ['id' => $id, 'family' => $family, 'fails' => $this->fails($id, $family, $wanted) ? 1 : 0, 'rank' => $rank];
            }
        }
        $place = static fn (array $one): array => [$one['rank'] === -1 ? 0 : 1, $one['fails'], $one['rank'], $one['id']];
        usort($ranked, static fn (array $one, array $other): int => $place($one) <=> $place($other));
        $looked = [];
        foreach ($ranked as $one) {
            $counts[$one['family']] = ($counts[$one['family']] ?? 0) - 1;
            if ($one['rank'] === -1 || $counts[$one['family']] >= -self::MORE) {
                $looked[] = $one['id'];
            }
        }
        sort($looked);

        return $looked;
    }

    /**
     * Whether a unit can measure nothing of what is demanded of its kind.
     *
     * @param list<Wanted> $wanted
     */
    private function fails(string $id, string $family, array $wanted): bool
    {
        $own = array_filter($wanted, static fn (Wanted $one): bool => $one->family === $family);
        $demanding = array_filter($own, static fn (Wanted $one): bool => !$one->demanded->isEmpty());
        $demands = $this->demands->of($family);
        if ($demands === null || \count($demanding) < \count($own)) {
            return false;
        }
        $unit = $this->logbook->instrument($id);
        $does = static fn (Wanted $one): bool => $unit !== null && $demands->able($unit, $one->demanded)->against === [];

        return array_filter($own, $does) === [];
    }

    /**
     * @param list<Wanted> $wanted
     *
     * @return list<Reference> in use, and there until all of it is measured
     */
    private function references(array $wanted): array
    {
        $words = $this->words->all('references');
        $last = array_reduce($wanted, static fn (\DateTimeImmutable $last, Wanted $one): \DateTimeImmutable => max(
            $last,
            $one->span->to,
        ), $this->site->now());
        $there = static fn (Reference $one): bool => ($words['='.$one->id] ?? null)?->keeps($last) === null;

        return array_values(array_filter($this->retirements->inUse($this->logbook->references()), $there));
    }

    /**
     * @param non-empty-list<Wanted> $wanted     that a unit of its kind measures; one at least
     * @param list<Reference>        $references
     * @param array<string, KitWord> $words      by = and the unit
     * @param Sheets                 $all        every model sheet
     */
    private function unit(
        Instrument $unit,
        array $wanted,
        array $references,
        array $words,
        Sheets $all,
        string $campaign,
        Policy $policy,
    ): UnitForDay {
        $against = [];
        $notes = [];
        $known = [];
        foreach ($wanted as $one) {
            foreach ([$one->span->from, $one->span->to] as $at) {
                $known[$at->getTimestamp()] ??= $this->fit->by($unit->id, $campaign, $policy, $at);
                $fitness = $known[$at->getTimestamp()];
                if ($fitness->state === FitState::Held) {
                    $against['='.$one->id] ??= self::told($fitness, $at > $one->span->from ? $at : null);
                }
                $notes = $at === $one->span->from ? self::notes($fitness) : $notes;
            }
        }
        $family = $this->assessor->family($unit->family);
        if ($family instanceof CheckedByRoutine && $family->checksDueBy($unit) !== null) {
            foreach ($wanted as $one) {
                if ($one->pins->unit !== $unit->id) {
                    $against['='.$one->id] = ['It stays in its place, and is checked by the calendar: name it to take it along.'];
                }
            }
        }
        $word = $words['='.$unit->id] ?? null;
        foreach ($wanted as $one) {
            $away = $word?->keeps($one->span->to);
            if ($away !== null) {
                $against['='.$one->id] = [$away];
            }
        }
        foreach ($wanted as $one) {
            $able = $this->demands->of($unit->family)?->able($unit, $one->demanded) ?? new Able();
            array_push($notes, ...$able->unknown);
            if ($able->against !== []) {
                $against['='.$one->id] = [...$against['='.$one->id] ?? [], ...$able->against];
            }
        }
        foreach ($word?->missing() ?? [] as $what) {
            $notes[] = \sprintf('Missing: %s.', $what);
        }
        $fitting = $this->fitting($unit, $wanted, $references, $policy);
        foreach ($fitting['ids'] === [] ? $wanted : [] as $one) {
            $against['='.$one->id] ??= ['No reference that it can be checked on. '.implode(' ', $fitting['problems'])];
        }
        $sheets = $all->of($unit->family, $unit->model);
        $procedures = $sheets->over($family->procedures($unit));

        return new UnitForDay(
            $unit->id,
            $unit->family,
            ReadyBy::of($procedures[0], $sheets),
            $fitting['ids'],
            $against,
            array_values(array_unique($notes)),
            new Ties($fitting['counts']),
        );
    }

    /** @return list<string> what its check must set right, and what of it was never done */
    private static function notes(Fitness $fitness): array
    {
        $notes = $fitness->state === FitState::CheckFirst ? $fitness->against : [];
        foreach ($fitness->due as $due) {
            if ($due->until === null) {
                $notes[] = \sprintf('%s: never done, as far as is known.', $due->what);
            }
        }

        return $notes;
    }

    /** @return list<string> */
    private static function told(Fitness $fitness, ?\DateTimeImmutable $later): array
    {
        $against = $fitness->against === [] ? ['It is held.'] : $fitness->against;

        return $later === null ? $against : [\sprintf('At %s, when it is done: %s', $later->format('H:i'), implode(' ', $against))];
    }

    /**
     * References that nothing speaks against from the first beginning to the last end.
     *
     * @param non-empty-list<Wanted> $wanted
     * @param list<Reference>        $references
     *
     * @return array{ids: list<string>, problems: list<string>, counts: array<string, \DateTimeImmutable>}
     */
    private function fitting(Instrument $unit, array $wanted, array $references, Policy $policy): array
    {
        $from = $wanted[0]->span->from;
        $to = $wanted[0]->span->to;
        foreach ($wanted as $one) {
            $from = min($from, $one->span->from);
            $to = max($to, $one->span->to);
        }
        $bench = $this->assessor->family($unit->family)->bench();
        $against = [];
        $counts = [];
        foreach ([$from, $to] as $at) {
            foreach ($bench->choices($unit, $references, $at) as $choice) {
                $key = '='.$choice->reference->id;
                $problems = [...$against[$key]['problems'] ?? [], ...$choice->heldTo($policy, $at)->problems];
                $against[$key] = ['id' => $choice->reference->id, 'problems' => $problems];
                $until = FallsDue::ofReference($choice->reference, $policy, $at)?->until;
                $counts = $until === null ? array_diff_key($counts, [$key => 0]) : [...$counts, $key => $until];
            }
        }
        $told = [];
        foreach ($against as $one) {
            foreach (array_unique($one['problems']) as $problem) {
                $told[] = $one['id'].': '.$problem;
            }
        }
        $free = array_filter($against, static fn (array $one): bool => $one['problems'] === []);

        return ['ids' => array_column($free, 'id'), 'problems' => $told, 'counts' => array_intersect_key($counts, $free)];
    }
}
