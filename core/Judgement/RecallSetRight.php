<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Recall;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Quantity\Exact;

/**
 * FC-G5: the known error of a recalled reference is taken out wholly, since when it went wrong is not known. The numbers as
 * certified, and as if it had grown evenly, stand beside; a limit is settled only where both takings agree.
 */
final readonly class RecallSetRight
{
    public const RULE = 'reference.recalled';
    /** What stands beside a result where its reference may have drifted off in a straight line. */
    public const EVENLY = 'with the error of its reference grown evenly';

    /**
     * @param list<Alteration>      $taken     one of each reference: its error, which was taken out
     * @param list<Alteration>      $assumed   one of each: that all of it was there from the beginning
     * @param array<string, Result> $certified what stands with the errors left in, by key
     * @param array<string, Result> $evenly    what stands where they grew evenly; none where nobody said when they were found
     */
    private function __construct(
        private array $taken,
        private array $assumed,
        private array $certified,
        private array $evenly,
    ) {
    }

    /**
     * Null where no check leans on a reference that is known to have been wrong by so much.
     *
     * @param list<Check>                         $checks
     * @param \Closure(Timeline): FamilyResults $again the run worked out anew
     */
    public static function of(array $checks, Timeline $timeline, \Closure $again): ?self
    {
        /** @var array<string, array{Reference, Recall}> $wrong */
        $wrong = [];
        foreach ($checks as $check) {
            foreach ($timeline->referencesOf($check) as $reference) {
                $recall = $reference->recalledAt($check->at);
                if ($recall?->error !== null) {
                    $wrong['='.$reference->id] = [$reference, $recall];
                }
            }
        }
        if ($wrong === []) {
            return null;
        }
        $taken = [];
        $assumed = [];
        $known = true;
        foreach ($wrong as [$reference, $recall]) {
            $error = self::words($reference, $recall);
            $taken[] = new Alteration(AlterationKind::Rule, $error, 'it was recalled: '.rtrim($recall->reason, '.'), self::RULE);
            if ($recall->until === null) {
                $known = false;
            } else {
                $assumed[] = new Alteration(
                    AlterationKind::Assumed,
                    \sprintf('that %s was wrong by all of it since %s', $reference->id, $recall->since->format('j M Y')),
                    'when it went wrong is not known; else it may have grown evenly until '.$recall->until->format('j M Y'),
                    self::RULE,
                );
            }
        }

        return new self(
            $taken,
            $known ? $assumed : [],
            self::byKey($again($timeline->taking(RecallTaken::Nothing))),
            $known ? self::byKey($again($timeline->taking(RecallTaken::Evenly))) : [],
        );
    }

    /** How far a reference was off, in words. */
    public static function words(Reference $reference, Recall $recall): string
    {
        return \sprintf(
            'the error of %s, its true value %s %s %s its certificate',
            $reference->id,
            ltrim($recall->error->written ?? '', '+-'),
            $recall->unit->value ?? '',
            $recall->error !== null && $recall->error->value->compareTo(Exact::zero()) < 0 ? 'below' : 'above',
        );
    }

    public function beside(Result $result): Result
    {
        $key = '='.$result->key;
        if (!isset($this->certified[$key])) {
            return $result;
        }
        $evenly = $this->evenly[$key] ?? null;
        $certified = $this->certified[$key];
        $result = $result->altered(
            ...array_map(static fn (Alteration $one): Altered => new Altered($one, $certified->reportedFigure()), $this->taken),
            ...array_map(static fn (Alteration $one): Altered => new Altered($one, $evenly?->reportedFigure()), $this->assumed),
        );
        if ($evenly === null) {
            return $result;
        }
        $outcomes = [];
        foreach ($result->outcomes as $outcome) {
            foreach ($evenly->outcomes as $other) {
                $isSame = $other->limit->id === $outcome->limit->id;
                if ($isSame && ($other->crossed !== $outcome->crossed || $other->robustness !== $outcome->robustness)) {
                    $outcome = $outcome->undecided(\sprintf(
                        '%s it is %s %s',
                        self::EVENLY,
                        $evenly->reportedFigure()->shownBeside($outcome->limit->threshold->value->value),
                        $evenly->reportedFigure()->unit->value,
                    ));
                }
            }
            $outcomes[] = $outcome;
        }

        return $result->or(self::EVENLY, $evenly->reportedFigure())->against($outcomes);
    }

    /** @return array<string, Result> */
    private static function byKey(FamilyResults $results): array
    {
        $found = [];
        foreach ($results->worked()->results as $result) {
            $found['='.$result->key] = $result;
        }

        return $found;
    }
}
