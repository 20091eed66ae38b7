<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\BracketFinder;
use Footnote\Core\Evidence\Reach;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Rule\RoutineDue;

/** Works out a run from the evidence and proposes a verdict under a policy. */
final readonly class Assessor
{
    /**
     * @param list<Family> $families    the families it knows
     * @param list<Rule>   $sharedRules rules that hold for every family
     */
    public function __construct(private array $families, private array $sharedRules)
    {
    }

    /** @throws UnknownFamily */
    public function family(string $id): Family
    {
        foreach ($this->families as $family) {
            if ($family->id() === $id) {
                return $family;
            }
        }

        throw new UnknownFamily(\sprintf('There is no family of instruments "%s".', $id));
    }

    /** @return list<Family> */
    public function families(): array
    {
        return $this->families;
    }

    /** @return list<Topic> what policies settle, each once */
    public function topics(): array
    {
        $topics = [];
        foreach ($this->families as $family) {
            $topics[$family->topic()->response] = $family->topic();
        }

        return array_values($topics);
    }

    /**
     * The run alone, without the shift it may be part of.
     *
     * @param Reach $reach notes how far the evidence of the unit was asked
     */
    public function assess(
        Run $run,
        Timeline $timeline,
        Policy $policy,
        Yardsticks $yardsticks,
        Reach $reach = new Reach(),
    ): Assessment {
        $timeline = $timeline->toldIn($run->timing->start->getTimezone())->watched($reach);
        [$cases, $recalls] = $this->cases($run, $timeline, $policy, $yardsticks);
        $family = reset($cases)->family;
        $worked = array_map(static fn (RunCase $case): FamilyResults => $case->results, $cases);
        $together = $family instanceof Channelled ? $family->together($worked) : $worked[''];
        $own = $this->judged($run, $policy, $together, self::setRight($together->worked()->results, $recalls), $cases);
        // What is put together of several channels takes the verdict of each into account, so it comes after them.
        $made = $family instanceof Channelled ? $family->combined($own, $yardsticks) : [];

        $own = $made === [] ? $own : $this->with($own, $made, $timeline);
        $asWritten = $this->asWritten($own, $timeline, $yardsticks, $reach);

        return $asWritten === null ? $own : $this->correctedSince($own, $asWritten, $family);
    }

    /** What it came to by its checks as they were first written; null where its brackets rest on none that was corrected. */
    private function asWritten(Assessment $own, Timeline $timeline, Yardsticks $yardsticks, Reach $reach): ?AsWritten
    {
        $written = $timeline->asWritten();
        if ($written === null) {
            return null;
        }
        $unit = $timeline->instrument->id;
        $corrected = [];
        $brackets = [];
        $family = $this->family($timeline->instrument->family);
        foreach (self::parts($family, $own->run, $written) as $channel => $part) {
            $brackets[] = self::bracket($family, (string) $channel, $own->run, $part, $own->policy);
        }
        foreach (self::foundBy($brackets) as $id) {
            $replaced = $written->check($id)?->notes->replaced;
            if ($replaced !== null) {
                $to = $replaced->instrument === $unit ? null : $replaced->instrument;
                $corrected['='.$replaced->check] = new Corrected($replaced->check, $replaced->why, $to);
            }
        }
        foreach (self::foundBy($own->brackets === [] ? [$own->bracket] : $own->brackets) as $id) {
            $why = $timeline->check($id)?->notes->inPlaceOf;
            if ($why !== null) {
                $corrected['='.$id] ??= new Corrected($id, $why, $why->instrument === $unit ? null : '');
            }
        }

        return $corrected === []
            ? null
            : new AsWritten($this->assess($own->run, $written, $own->policy, $yardsticks, $reach), array_values($corrected));
    }

    /**
     * @param non-empty-array<array-key, Bracket> $brackets of all channels of a run
     *
     * @return list<string> whatever they are found by
     */
    private static function foundBy(array $brackets): array
    {
        $found = array_map(static fn (Bracket $bracket): array => $bracket->foundBy(), array_values($brackets));

        return array_values(array_unique(array_merge(...$found)));
    }

    private static function bracket(Family $family, string $channel, Run $run, Timeline $part, Policy $policy): Bracket
    {
        return (new BracketFinder($family->usability($policy), $channel, $family->bracketRestsOn()))->find($run, $part);
    }

    /** With what the correction changed beside it. */
    private function correctedSince(Assessment $own, AsWritten $asWritten, Family $family): Assessment
    {
        $findings = $own->findings;
        foreach ($this->rules($family) as $rule) {
            $setting = $own->policy->rule($rule->id());
            if ($setting !== null && $rule instanceof LooksBack) {
                array_push($findings, ...array_values([...$rule->lookBack($own, $asWritten, $setting)]));
            }
        }
        $results = array_map($asWritten->beside(...), $own->results);

        return self::assessment($own->run, $own->policy, $own->family, $results, $findings, $own->bracket, $own->brackets);
    }

    /**
     * What would weigh on a run that begins so, before it has measured anything.
     *
     * @param Run $start a run that begins, and of which nothing else is known
     */
    public function beforehand(Run $start, Timeline $timeline, Policy $policy): Beforehand
    {
        $timeline = $timeline->toldIn($start->timing->start->getTimezone());
        [$cases] = $this->cases($start, $timeline, $policy, new Yardsticks([], []));
        $findings = [];
        $expiries = [];
        $routines = [];
        foreach ($this->rules(reset($cases)->family) as $rule) {
            $setting = $policy->rule($rule->id());
            if ($setting !== null && $rule instanceof RoutineDue) {
                array_push($routines, ...self::routines($rule, $setting, $cases));
            }
            if ($setting === null || !$rule instanceof KnownBeforehand || $setting->severity === Severity::Note) {
                continue;
            }
            // What runs out is told by its end, which stays true while time goes by.
            if ($rule instanceof RunsOut) {
                foreach ($cases as $case) {
                    $expiries[] = [$rule, $rule->expiry($case, $setting)];
                }
                continue;
            }
            foreach (self::found($rule, $setting, $cases) as $finding) {
                $findings[] = [$rule, $finding];
            }
        }
        $expiries = array_values(array_filter($expiries, static fn (array $one): bool => $one[1] !== null));
        usort($findings, static fn (array $a, array $b): int => $b[1]->verdict()->weight() <=> $a[1]->verdict()->weight());
        usort($expiries, static fn (array $a, array $b): int => $a[1]->at <=> $b[1]->at);

        return new Beforehand(array_values($cases), $findings, $expiries, $routines);
    }

    /**
     * @param non-empty-array<array-key, RunCase> $cases by channel
     *
     * @return list<RoutineOfUnit>
     */
    private static function routines(RoutineDue $rule, RuleSetting $setting, array $cases): array
    {
        $routines = [];
        foreach ($cases as $channel => $case) {
            $standing = $rule->standing($case, $setting);
            if ($standing !== null) {
                $routines[] = new RoutineOfUnit($setting->rule, (string) $channel, $standing);
            }
        }

        return $routines;
    }

    /**
     * @return array{non-empty-array<array-key, RunCase>, list<RecallSetRight|null>} by channel, one of no name where the family has
     *                                                                               none; and what each was set right by
     */
    private function cases(Run $run, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): array
    {
        $family = $this->family($timeline->instrument->family);
        $cases = [];
        $recalls = [];
        foreach (self::parts($family, $run, $timeline) as $name => $part) {
            $channel = (string) $name;
            $bracket = self::bracket($family, $channel, $run, $part, $policy);
            $again = static fn (Timeline $one): FamilyResults => $family->workOut($run, $bracket, $one, $policy, $yardsticks);
            $worked = $again($part);
            $recalls[] = $recall = RecallSetRight::of($bracket->checks(), $part, $again);
            $cases[$channel] = new RunCase(
                $bracket,
                $part,
                $family,
                $worked,
                self::setRight($worked->worked()->results, [$recall]),
                new HeldTo($policy, $yardsticks),
            );
        }

        return [$cases, $recalls];
    }

    /**
     * With the number as certified, and as if the error had grown evenly, beside each that leans on a reference that was wrong.
     *
     * @param list<Result>               $results
     * @param list<RecallSetRight|null> $recalls of each channel
     *
     * @return list<Result>
     */
    private static function setRight(array $results, array $recalls): array
    {
        foreach ($recalls as $recall) {
            $results = $recall === null ? $results : array_map($recall->beside(...), $results);
        }

        return $results;
    }

    /**
     * The channels that the run brought something home of; all of them while it goes on or where there is nothing. The whole unit,
     * under no name, where its family has no channels.
     *
     * @return non-empty-array<array-key, Timeline>
     */
    private static function parts(Family $family, Run $run, Timeline $timeline): array
    {
        if (!$family instanceof Channelled) {
            return ['' => $timeline];
        }
        $all = $family->channels($timeline);
        $measured = array_values(array_filter($all, static fn (string $channel): bool => $family->measured($channel, $run)));
        $parts = [];
        foreach ($measured === [] ? $all : $measured as $channel) {
            $parts[$channel] = $family->ofChannel($channel, $timeline);
        }

        return $parts === [] ? ['' => $timeline] : $parts;
    }

    /**
     * The run as part of its shift.
     *
     * @param non-empty-list<Assessment> $runs every run of the shift alone, this one among them, in order of time
     */
    public function within(Assessment $own, array $runs, Shift $shift, Timeline $timeline, Yardsticks $yardsticks): Assessment
    {
        $family = $this->family($timeline->instrument->family);
        $composed = $family instanceof Composing ? $family->compose($own, $runs, $own->policy, $yardsticks) : [];

        return $composed === [] && \count($shift->runs) === 1 && $shift->asked === []
            ? $own
            : $this->with($own, $composed, $timeline, $shift);
    }

    /**
     * With results that were made of several, each in the place of one of its key; rules that look at results are judged
     * again over them.
     *
     * @param list<Result> $made
     */
    private function with(Assessment $own, array $made, Timeline $timeline, ?Shift $shift = null): Assessment
    {
        $family = $this->family($timeline->instrument->family);
        $case = new RunCase($own->bracket, $timeline, $family, $own->family, $made, new HeldTo($own->policy), $shift);
        $replaced = array_map(static fn (Result $result): string => $result->key, $made);
        $again = array_values(array_filter($this->rules($family), static fn (Rule $rule): bool => $rule instanceof AnswerRule));
        $ids = array_map(static fn (Rule $rule): string => $rule->id(), $again);
        $findings = [];
        foreach ($own->findings as $finding) {
            $kept = \in_array($finding->rule->id, $ids, true)
                ? array_values(array_diff($finding->touched->results, $replaced))
                : $finding->touched->results;
            if ($kept !== [] || $finding->touched->results === []) {
                $findings[] = $finding->ofResults(...$kept);
            }
        }
        foreach ($again as $rule) {
            $setting = $own->policy->rule($rule->id());
            array_push($findings, ...($setting === null ? [] : array_values([...$rule->judge($case, $setting)])));
        }
        $results = [
            ...array_filter($own->results, static fn (Result $result): bool => !\in_array($result->key, $replaced, true)),
            ...$made,
        ];

        return self::assessment($own->run, $own->policy, $own->family, $results, $findings, $own->bracket, $own->brackets);
    }

    /**
     * @param list<Result>                        $results
     * @param non-empty-array<array-key, RunCase> $cases   by channel; one of no name where the family has none
     */
    private function judged(Run $run, Policy $policy, FamilyResults $worked, array $results, array $cases): Assessment
    {
        $findings = [];
        foreach ($this->rules(reset($cases)->family) as $rule) {
            $setting = $policy->rule($rule->id());
            if ($setting !== null) {
                array_push($findings, ...self::found($rule, $setting, $cases));
            }
        }
        $brackets = array_map(static fn (RunCase $case): Bracket => $case->bracket, $cases);

        return self::assessment(
            $run,
            $policy,
            $worked,
            $results,
            $findings,
            reset($brackets),
            isset($brackets['']) ? [] : $brackets,
        );
    }

    /**
     * @param list<Result>              $results
     * @param list<Finding>             $findings
     * @param array<array-key, Bracket> $brackets
     */
    private static function assessment(
        Run $run,
        Policy $policy,
        FamilyResults $worked,
        array $results,
        array $findings,
        Bracket $bracket,
        array $brackets,
    ): Assessment {
        usort($findings, static fn (Finding $a, Finding $b): int => $b->verdict()->weight() <=> $a->verdict()->weight());

        return (new Assessment($policy, $bracket, $worked, $results, $findings, Verdict::Valid, $brackets))->stood();
    }

    /** @return list<Rule> */
    private function rules(Family $family): array
    {
        return [...$this->sharedRules, ...$family->rules()];
    }

    /**
     * What a rule finds in every channel. What it says of all of them alike is said of the unit, once.
     *
     * @param non-empty-array<array-key, RunCase> $cases
     *
     * @return list<Finding>
     */
    private static function found(Rule $rule, RuleSetting $setting, array $cases): array
    {
        if (\count($cases) === 1 && isset($cases[''])) {
            return array_values([...$rule->judge($cases[''], $setting)]);
        }
        $by = [];
        foreach ($cases as $channel => $case) {
            foreach ($rule->judge($case, $setting) as $finding) {
                $by[$finding->seen][$channel] ??= $finding;
            }
        }
        $findings = [];
        foreach ($by as $same) {
            if (\count($same) === \count($cases) && \count($cases) > 1) {
                $findings[] = reset($same);
                continue;
            }
            foreach ($same as $channel => $finding) {
                $findings[] = $finding->ofChannel((string) $channel);
            }
        }

        return $findings;
    }
}
