<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\BracketFinder;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

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

    /** The run alone, without the shift it may be part of. */
    public function assess(Run $run, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): Assessment
    {
        $family = $this->family($timeline->instrument->family);
        $parts = $family instanceof Channelled ? self::parts($family, $run, $timeline) : ['' => $timeline];
        $cases = [];
        $worked = [];
        foreach ($parts as $channel => $part) {
            $bracket = (new BracketFinder($family->usability(), $channel, $family->parameter()))->find($run, $part);
            $worked[$channel] = $family->workOut($run, $bracket, $part, $policy, $yardsticks);
            $cases[$channel] = new RunCase($run, $bracket, $part, $policy, $family, $worked[$channel], $worked[$channel]->results());
        }

        return $this->judged($run, $policy, $family instanceof Channelled ? $family->together($worked, $yardsticks) : $worked[''], $cases);
    }

    /**
     * The channels that the run brought something home of; all of them while it goes on or where there is nothing.
     *
     * @return non-empty-array<string, Timeline>
     */
    private static function parts(Channelled $family, Run $run, Timeline $timeline): array
    {
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
     * @param list<Assessment> $shift every run of the shift alone, this one among them, in order of time
     */
    public function within(Assessment $own, array $shift, Timeline $timeline, Yardsticks $yardsticks): Assessment
    {
        $family = $this->family($timeline->instrument->family);
        if (!$family instanceof Composing) {
            return $own;
        }
        $composed = $family->compose($own, $shift, $own->policy, $yardsticks);

        if ($composed === []) {
            return $own;
        }
        $case = new RunCase($own->run, $own->bracket, $timeline, $own->policy, $family, $own->family, [...$own->results, ...$composed]);

        return $this->judged($own->run, $own->policy, $own->family, ['' => $case], $own->findings, $case->answers);
    }

    /**
     * @param non-empty-array<string, RunCase> $cases   by channel; one of no name where the family has none
     * @param list<Finding>|null               $alone   what was found of the run alone, where its results are all that is new
     * @param list<Result>|null                $results where they are more than those that were worked out
     */
    private function judged(Run $run, Policy $policy, FamilyResults $worked, array $cases, ?array $alone = null, ?array $results = null): Assessment
    {
        $results ??= $worked->results();
        $family = reset($cases)->family;
        $findings = [];
        foreach ([...$this->sharedRules, ...$family->rules()] as $rule) {
            $setting = $policy->rule($rule->id());
            if ($setting !== null) {
                array_push($findings, ...($alone === null || $rule instanceof AnswerRule
                    ? self::found($rule, $setting, $cases)
                    : array_filter($alone, static fn (Finding $finding): bool => $finding->setting === $setting)));
            }
        }
        usort($findings, static fn (Finding $a, Finding $b): int => $b->verdict()->weight() <=> $a->verdict()->weight());
        $verdict = array_reduce($findings, static fn (Verdict $worst, Finding $one): Verdict => $worst->worse($one->verdict()), Verdict::Valid);
        $brackets = array_map(static fn (RunCase $case): Bracket => $case->bracket, $cases);
        $assessment = new Assessment($run, $policy, reset($brackets), $worked, $results, $worked->drifts(), $findings, $verdict, isset($brackets['']) ? [] : $brackets);

        return $assessment->stood();
    }

    /**
     * What a rule finds in every channel. What it says of all of them alike is said of the unit, once.
     *
     * @param non-empty-array<string, RunCase> $cases
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
                $findings[] = $finding->ofChannel($channel);
            }
        }

        return $findings;
    }
}
