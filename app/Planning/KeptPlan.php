<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Storage\Cells;
use Footnote\Core\Planning\Activity;
use Footnote\Core\Planning\ActivityKind;
use Footnote\Core\Planning\DayAsked;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Planning\NearestKind;
use Footnote\Core\Planning\Readiness;
use Footnote\Core\Planning\Shortfall;
use Footnote\Core\Planning\Task;
use Footnote\Core\Planning\UnitForDay;
use Footnote\Core\Planning\Wanted;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/**
 * A plan as it is kept: what was asked, the kit as it was known then, and what came of it. Read again it is the same plan, whatever has
 * become of the kit or of the way in which days are planned.
 */
#[Exclude]
final readonly class KeptPlan
{
    private function __construct(public AskedDay $asked, public DayPlan $plan)
    {
    }

    public static function made(AskedDay $asked, DayPlan $plan): self
    {
        return new self($asked, $plan);
    }

    /** @return array<string, mixed> */
    public function body(): array
    {
        $plan = $this->plan;

        return [
            'asked' => $this->asked->told,
            'units' => array_map(static fn (UnitForDay $unit): array => [
                'id' => $unit->id,
                'family' => $unit->family,
                'soak' => $unit->readiness->soak,
                'check' => $unit->readiness->check,
                'battery' => $unit->readiness->battery,
                'charge' => $unit->readiness->charge,
                'sources' => $unit->readiness->sources,
                'references' => $unit->references,
                'against' => $unit->against,
                'notes' => $unit->notes,
            ], $plan->asked->units),
            'activities' => array_map(static fn (Activity $one): array => [
                'kind' => $one->kind->value,
                'wanted' => $one->task->wanted->id,
                'unit' => $one->task->unit->id,
                'by' => $one->by,
                'place' => $one->place,
                'from' => $one->from,
                'to' => $one->to,
                'reference' => $one->reference,
            ], $plan->activities),
            'short' => array_map(self::short(...), $plan->short),
            'over' => $plan->over,
            'every' => $plan->every,
        ];
    }

    /** @return array{wanted: string, why: list<string>, nearest: string, kind: string, instead: string|null} */
    public static function short(Shortfall $one): array
    {
        return [
            'wanted' => $one->wanted->id,
            'why' => $one->why,
            'nearest' => $one->nearest,
            'kind' => $one->kind->value,
            'instead' => $one->instead?->span->from->format('H:i'),
        ];
    }

    /**
     * @param array<string, mixed> $body
     * @param AskedDay             $asked what of it was asked
     */
    public static function of(array $body, AskedDay $asked): self
    {
        $units = array_map(self::unit(...), Cells::rows($body, 'units'));
        $day = new DayAsked($asked->wanted, $units, $asked->crew, $asked->places, $asked->handling);
        $tasks = [];
        $activities = [];
        foreach (Cells::rows($body, 'activities') as $row) {
            $wanted = $asked->wanted[(int) Cells::text($row, 'wanted') - 1];
            $unit = $day->unit(Cells::text($row, 'unit'));
            if ($unit !== null) {
                $task = $tasks[$wanted->id] ??= new Task($wanted, $unit);
                $activities[] = self::activity($task, $row);
            }
        }
        $inOrder = array_map(static fn (Wanted $wanted): ?Task => $tasks[$wanted->id] ?? null, $asked->wanted);
        $short = array_map(static fn (array $row): Shortfall => new Shortfall(
            $asked->wanted[(int) Cells::text($row, 'wanted') - 1],
            Cells::texts($row, 'why'),
            Cells::text($row, 'nearest'),
            NearestKind::from(Cells::text($row, 'kind')),
            self::instead($asked->wanted[(int) Cells::text($row, 'wanted') - 1], $row),
        ), Cells::rows($body, 'short'));
        $every = ($body['every'] ?? false) === true;
        $tasks = array_values(array_filter($inOrder));

        return new self($asked, new DayPlan($day, $tasks, $activities, $short, Cells::texts($body, 'over'), $every));
    }

    /** @param array<string, mixed> $row */
    private static function instead(Wanted $wanted, array $row): ?Wanted
    {
        $from = $row['instead'] ?? null;
        if (!\is_string($from)) {
            return null;
        }
        if (Cells::text($row, 'kind') === NearestKind::OtherUnit->value) {
            return $wanted->byAnyUnit();
        }
        $later = new \DateTimeImmutable($wanted->span->from->format('Y-m-d ').$from, $wanted->span->from->getTimezone());

        return $wanted->from($later < $wanted->span->from ? $later->modify('+1 day') : $later);
    }

    /** @param array<string, mixed> $row */
    private static function activity(Task $task, array $row): Activity
    {
        return new Activity(
            ActivityKind::from(Cells::text($row, 'kind')),
            $task,
            Cells::text($row, 'by'),
            Cells::text($row, 'place'),
            (int) Cells::text($row, 'from'),
            (int) Cells::text($row, 'to'),
            ($row['reference'] ?? null) === null ? null : Cells::text($row, 'reference'),
        );
    }

    /** @param array<string, mixed> $row */
    private static function unit(array $row): UnitForDay
    {
        $minutes = static fn (string $name): ?int => ($row[$name] ?? null) === null ? null : (int) Cells::text($row, $name);
        $readiness = new Readiness(
            $minutes('soak') ?? 0,
            $minutes('check') ?? 1,
            $minutes('battery'),
            $minutes('charge'),
            Cells::texts($row, 'sources'),
        );
        $against = [];
        foreach (Cells::map($row, 'against') as $wanted => $why) {
            $against[$wanted] = \is_array($why) ? array_values(array_filter($why, \is_string(...))) : [];
        }

        return new UnitForDay(
            Cells::text($row, 'id'),
            Cells::text($row, 'family'),
            $readiness,
            Cells::texts($row, 'references'),
            $against,
            Cells::texts($row, 'notes'),
        );
    }
}
