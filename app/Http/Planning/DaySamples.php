<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Planning\KeptPlan;
use Footnote\App\Planning\Samples;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Planning\ActivityKind;
use Footnote\Core\Planning\Wanted;
use Footnote\Core\Record\InvalidRecord;

/** Of each measurement of a plan that draws a sample, whether that gives a usable answer in the time that is wanted. */
final readonly class DaySamples
{
    public function __construct(private Samples $samples)
    {
    }

    /** @return list<array<string, mixed>> */
    public function of(KeptPlan $kept, Sheet $sheet): array
    {
        $samples = [];
        foreach ($kept->asked->wanted as $place => $wanted) {
            $shown = $this->sample($kept->asked->sample($place), $kept, $wanted, $sheet);
            if ($shown !== null) {
                $samples[] = ['wanted' => $wanted->id, ...$shown];
            }
        }

        return $samples;
    }

    /**
     * @param array<mixed> $told
     *
     * @return array<string, mixed>|null null where it draws none
     */
    private function sample(array $told, KeptPlan $kept, Wanted $wanted, Sheet $sheet): ?array
    {
        $unit = null;
        foreach ($kept->plan->tasks as $task) {
            $unit = $task->wanted->id === $wanted->id ? $task->unit->id : $unit;
        }
        try {
            $size = $this->samples->ofWanted($wanted, $told, $kept->plan->lateness($wanted), $unit);
            if ($size === null) {
                return null;
            }
            $off = $kept->plan->activity($wanted, ActivityKind::TakeOff);
            $drawn = $off === null ? $wanted->span->to : $off->task->moment($off->from);

            return [...SamplePresenter::lines($size, $sheet), 'holds' => $size->holdsUntil($drawn)?->format(\DATE_ATOM)];
        } catch (InvalidRecord $problem) {
            $words = \sprintf('It cannot be said whether the sample is of use: %s %s', ltrim($problem->path, '/'), $problem->problem);

            return ['usable' => false, 'media' => 0, 'words' => [$words], 'lines' => [], 'holds' => null];
        }
    }
}
