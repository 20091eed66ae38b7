<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * What one person does before the measuring, planned backwards from it, step by step: what is done last. Everything is as late as it can
 * be. Of all orders the one in which people would have to be there too early by the fewest minutes; of these the one whose first
 * switch-on is the latest; of these the one whose units wait least between being switched on and measuring; of these the first found.
 *
 * A branch is not followed where it cannot be better than what is found already, or where the same was planned by another order, and no
 * worse.
 */
final class Backwards
{
    /** So many tasks at most are tried in every order. */
    public const EVERY_ORDER = 6;

    /** Of more tasks so many branches are followed, fewer the more tasks there are, with so many next visits, checks and
     * switch-ons at each. */
    private const MOST = 3000;
    private const LEAST = 3;
    private const VISITS = 6;
    private const AT_THE_BASE = 2;

    private ?OnePerson $best = null;

    /** @var array<string, list<list<int>>> what was followed is worth, by its key */
    private array $known = [];

    private bool $all = true;

    /** @var list<int> of each task, the least time from switching its unit on to its beginning, min */
    private array $leads;

    /**
     * @param list<Task>                $tasks
     * @param Taken                     $taken references that others use
     * @param array{int, int, int}|null $floor
     */
    private function __construct(
        private readonly DayAsked $asked,
        private readonly array $tasks,
        private readonly Member $member,
        private readonly Taken $taken,
        private readonly ?array $floor,
    ) {
        $this->leads = array_map(static fn (Task $task): int => $asked->lead($task->wanted, $task->unit), $tasks);
    }

    /**
     * @param list<Task> $tasks that the person attends to
     * @param Taken      $taken what others do: their references are not free then
     * @param array{int, int, int}|null $floor what is not better than this is not looked for
     *
     * @return OnePerson|null null where nothing is
     */
    public static function of(DayAsked $asked, array $tasks, Member $member, Taken $taken, ?array $floor = null): ?OnePerson
    {
        $search = new self($asked, $tasks, $member, $taken, $floor);
        $stands = array_map(static fn (): Stand => new Stand(), $tasks);
        $whole = new Branch([], $stands, \PHP_INT_MAX, $asked->places->base);
        $search->isMany() ? $search->followSome($whole) : $search->follow($whole);

        return $search->all ? $search->best : $search->best?->ofThoseTried();
    }

    /** Into the depth: the first day that is found is good already, and what cannot be better falls early. */
    private function follow(Branch $branch): void
    {
        if ($branch->isWhole()) {
            $this->keep($branch);

            return;
        }
        foreach ($this->next($branch) as $one) {
            if ($this->isBetter($one['rank']) && !$this->isKnown($one['branch'])) {
                $this->follow($one['branch']);
            }
        }
    }

    /** Step by step, with the most promising branches alone: what is found is told as the best of those tried. */
    private function followSome(Branch $branch): void
    {
        $this->all = false;
        $branches = [$branch];
        $most = max(self::LEAST, intdiv(self::MOST, \count($this->tasks) * \count($this->asked->wanted)));
        while ($branches !== [] && !$branches[0]->isWhole()) {
            $next = array_merge(...array_map($this->next(...), $branches));
            usort($next, self::promising(...));
            $branches = [];
            foreach ($next as $one) {
                if (\count($branches) < $most && !$this->isKnown($one['branch'])) {
                    $branches[] = $one['branch'];
                }
            }
        }
        array_map($this->keep(...), $branches);
    }

    private function keep(Branch $branch): void
    {
        $rank = $this->rank($branch);
        if ($this->isBetter($rank)) {
            $this->best = new OnePerson($branch->done, $rank, true);
        }
    }

    /** @return list<array{rank: array{int, int, int}, to: int, order: int, branch: Branch}> the most promising first */
    private function next(Branch $branch): array
    {
        $next = [];
        foreach ($this->steps($branch) as $order => $step) {
            $then = $branch->and($step['activity'], $step['task'], $this->tooEarly($step['activity']));
            $next[] = ['rank' => $this->rank($then), 'to' => $step['activity']->to, 'order' => -$order, 'branch' => $then];
        }
        usort($next, self::promising(...));

        return $next;
    }

    /**
     * @param array{rank: array{int, int, int}, to: int, order: int} $one
     * @param array{rank: array{int, int, int}, to: int, order: int} $other
     */
    private static function promising(array $one, array $other): int
    {
        return [$other['rank'], $other['to'], $other['order']] <=> [$one['rank'], $one['to'], $one['order']];
    }

    /** @param array{int, int, int} $rank */
    private function isBetter(array $rank): bool
    {
        $least = $this->best->rank ?? $this->floor;

        return $least === null || $rank > $least;
    }

    /** Minutes by which somebody would be fitted before being there. */
    private function tooEarly(Activity $activity): int
    {
        $there = $activity->task->begins - $this->asked->handling->notSooner;

        return $activity->kind === ActivityKind::Fit ? max(0, $there - $activity->from) : 0;
    }

    private function isMany(): bool
    {
        return \count($this->tasks) > self::EVERY_ORDER;
    }

    /** Whether the same was planned by another order, and no worse. */
    private function isKnown(Branch $branch): bool
    {
        $key = $branch->key();
        $worth = $branch->worth();
        foreach ($this->known[$key] ?? [] as $known) {
            $better = false;
            foreach ($worth as $place => $value) {
                $better = $better || $value > $known[$place];
            }
            if (!$better) {
                return true;
            }
        }
        $this->known[$key][] = $worth;

        return false;
    }

    /** @return list<array{activity: Activity, task: int}> what could be done last of what is left */
    private function steps(Branch $branch): array
    {
        $steps = [];
        $tried = [];
        $likely = $this->isMany() ? $this->likely($branch) : null;
        foreach ($branch->stands as $place => $stand) {
            $next = $stand->next();
            if ($likely !== null && !\in_array($place, $likely, true)) {
                continue;
            }
            if ($next === null || array_filter($tried, fn (int $other): bool => $this->isAlike($branch, $other, $place)) !== []) {
                continue;
            }
            $tried[] = $place;
            $activity = match ($next) {
                ActivityKind::Fit => $this->fit($branch, $this->tasks[$place]),
                ActivityKind::PreCheck => $this->check($branch, $this->tasks[$place]),
                default => $this->switchOn($branch, $this->tasks[$place], $stand->soaks ?? 0),
            };
            $steps[] = ['activity' => $activity, 'task' => $place];
        }

        return $steps;
    }

    /** @return list<int> places of the tasks of which a step is likely the last: those that begin last, soak longest, are on the latest */
    private function likely(Branch $branch): array
    {
        $likely = [];
        foreach ([ActivityKind::Fit, ActivityKind::PreCheck, ActivityKind::SwitchOn] as $kind) {
            $some = array_keys(array_filter($branch->stands, static fn (Stand $stand): bool => $stand->next() === $kind));
            $by = fn (int $place): int => match ($kind) {
                ActivityKind::Fit => $this->tasks[$place]->begins,
                ActivityKind::PreCheck => $this->tasks[$place]->unit->readiness->soak,
                default => $branch->stands[$place]->soaks ?? 0,
            };
            usort($some, static fn (int $one, int $other): int => [$by($other), $one] <=> [$by($one), $other]);
            array_push($likely, ...\array_slice($some, 0, $kind === ActivityKind::Fit ? self::VISITS : self::AT_THE_BASE));
        }

        return $likely;
    }

    /** Where nothing differs between two, one order of them is as good as the other. */
    private function isAlike(Branch $branch, int $one, int $other): bool
    {
        $first = $branch->stands[$one];
        $second = $branch->stands[$other];

        return $first->done === $second->done
            && $first->soaks === $second->soaks
            && $this->tasks[$one]->isLike($this->tasks[$other]);
    }

    private function fit(Branch $branch, Task $task): Activity
    {
        $places = $this->asked->places;
        $place = $task->wanted->place;
        $back = $this->member->leaves() - $places->between($place, $places->base);
        $over = min($task->begins, $branch->over($places, $place), $back);

        return new Activity(ActivityKind::Fit, $task, $this->member->name, $place, $over - $this->asked->handling->fit, $over);
    }

    /** On whichever reference lets it be latest; ties by the order of the references. */
    private function check(Branch $branch, Task $task): Activity
    {
        $base = $this->asked->places->base;
        $minutes = $task->unit->readiness->check;
        $over = $branch->over($this->asked->places, $base);
        $latest = null;
        foreach ($task->unit->references as $reference) {
            $from = $this->taken->latestFree($reference, $minutes, $over);
            if ($latest === null || $from > $latest->from) {
                $latest = new Activity(ActivityKind::PreCheck, $task, $this->member->name, $base, $from, $from + $minutes, $reference);
            }
        }

        return $latest ?? throw new \LogicException('A unit without a reference is not planned.');
    }

    private function switchOn(Branch $branch, Task $task, int $soaks): Activity
    {
        $base = $this->asked->places->base;
        $over = min($soaks, $branch->over($this->asked->places, $base));
        $from = $over - $this->asked->handling->switchOn;

        return new Activity(ActivityKind::SwitchOn, $task, $this->member->name, $base, $from, $over);
    }

    /**
     * How good a branch is at the most, whatever follows: by the minutes that people would have to be there too early, by the first
     * switch-on, by what units wait. Of a whole day: how good it is.
     *
     * @return array{int, int, int} the higher the better
     */
    private function rank(Branch $branch): array
    {
        $first = $branch->first;
        $waits = $branch->waits;
        $hands = 0;
        $tooEarly = $branch->tooEarly;
        $handling = $this->asked->handling;
        $switchOn = $handling->switchOn;
        $base = $branch->over($this->asked->places, $this->asked->places->base);
        foreach ($branch->stands as $place => $stand) {
            $next = $stand->next();
            if ($next === null) {
                continue;
            }
            $task = $this->tasks[$place];
            $ready = $task->unit->readiness;
            $fitted = min($task->begins, $branch->over($this->asked->places, $task->wanted->place));
            if ($next === ActivityKind::Fit) {
                $tooEarly += max(0, $task->begins - $handling->notSooner - $fitted + $handling->fit);
            }
            $on = match ($next) {
                ActivityKind::SwitchOn => min($stand->soaks ?? 0, $base) - $switchOn,
                ActivityKind::PreCheck => $base - $ready->whole() - $switchOn,
                default => $fitted - $this->leads[$place],
            };
            $first = min($first, $on);
            $waits += $task->begins - $on;
            $hands += $switchOn + match ($next) {
                ActivityKind::SwitchOn => 0,
                ActivityKind::PreCheck => $ready->check,
                default => $ready->check + $handling->fit,
            };
        }
        // Whatever is left, switching on comes first; and all of it is the work of the same hands.
        $begins = $branch->at === \PHP_INT_MAX ? $branch->at : $branch->at - $hands;
        $first = $hands === 0 ? $first : min($first, $begins);

        return [-$tooEarly - max(0, $this->member->comes() - min($begins, $first)), $first, -$waits];
    }
}
