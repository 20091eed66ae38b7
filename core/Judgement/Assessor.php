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
        $bracket = (new BracketFinder($family->usability(), '', $family->parameter()))->find($run, $timeline);
        $worked = $family->workOut($run, $bracket, $timeline, $policy, $yardsticks);

        return $this->judge($family, $run, $bracket, $timeline, $policy, $worked, $worked->results());
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

        return $composed === [] ? $own : $this->judge($family, $own->run, $own->bracket, $timeline, $own->policy, $own->family, [...$own->results, ...$composed], $own->findings);
    }

    /**
     * @param list<Result>       $results
     * @param list<Finding>|null $alone   what was found of the run alone, where its results are all that is new
     */
    private function judge(Family $family, Run $run, Bracket $bracket, Timeline $timeline, Policy $policy, FamilyResults $worked, array $results, ?array $alone = null): Assessment
    {
        $case = new RunCase($run, $bracket, $timeline, $policy, $family, $worked, $results);
        $findings = [];
        $verdict = Verdict::Valid;
        foreach ([...$this->sharedRules, ...$family->rules()] as $rule) {
            $setting = $policy->rule($rule->id());
            if ($setting === null) {
                continue;
            }
            $found = $alone === null || $rule instanceof AnswerRule
                ? $rule->judge($case, $setting)
                : array_filter($alone, static fn (Finding $finding): bool => $finding->setting === $setting);
            foreach ($found as $finding) {
                $findings[] = $finding;
                $verdict = $verdict->worse($finding->verdict());
            }
        }
        usort($findings, static fn (Finding $a, Finding $b): int => $b->verdict()->weight() <=> $a->verdict()->weight());

        $assessment = new Assessment($run, $policy, $bracket, $worked, $results, $worked->drifts(), $findings, $verdict);
        $standing = $assessment->standing();

        return $standing === null || $standing === $verdict ? $assessment : new Assessment($run, $policy, $bracket, $worked, $results, $worked->drifts(), $findings, $standing);
    }
}
