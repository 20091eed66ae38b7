<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Row\DayPlanned;
use Footnote\App\Logbook\Row\DayPlanVersion;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Numbers;
use Footnote\Core\Planning\Clash;
use Footnote\Core\Planning\DayAsked;
use Footnote\Core\Planning\Scheduler;
use Footnote\Core\Record\Fields;
use Psr\Clock\ClockInterface;

/** A day is planned, or planned again: each time a version of its own. */
final readonly class PlanDay
{
    public const PLANNED = 'day planned';

    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Campaigns $campaigns,
        private Logbook $logbook,
        private KitForDay $kit,
        private DayPlans $plans,
        private OtherPlans $others,
        private Samples $samples,
        private Numbers $numbers,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @param string|null $again a plan that is made again; null: a new one
     * @param int         $seen  the version of it that was seen
     *
     * @return string its number
     */
    public function __invoke(User $by, Fields $told, ?string $again = null, int $seen = 0): string
    {
        $asked = $this->plans->asked($told);
        $this->holdSamples($asked);
        $kept = $this->planned($asked, $again)->body();
        $day = $told->text('day');
        $entry = ['day' => $day, 'measurements' => \count($asked->wanted), ...($again === null ? [] : ['plan' => $again])];

        return $this->journal->during($by->code, self::PLANNED, $entry, function () use ($by, $kept, $again, $seen): string {
            $now = $this->clock->now();
            if ($again !== null && $this->plans->head($again)['version'] !== $seen) {
                throw new Problem(409, 'Somebody else planned this day again meanwhile. Look at it; what you typed is still here.');
            }
            $id = $again ?? $this->numbers->next('day_plan', 'DP-%05d');
            if ($again === null) {
                $this->entities->persist(new DayPlanned($id, $now));
            }
            $this->entities->persist(new DayPlanVersion($id, $seen + 1, $kept, $by->name, $now));

            return $id;
        });
    }

    /**
     * What comes of it with the kit as it is now; nothing is kept.
     *
     * @param string|null $own the plan that is made again; null: a new one
     */
    public function planned(AskedDay $asked, ?string $own): KeptPlan
    {
        $policy = $this->campaigns->policyOfCampaign($asked->campaign);
        if ($policy === null) {
            throw Problem::field('/campaign', 'is not in this logbook.');
        }
        foreach ($asked->wanted as $place => $wanted) {
            $unit = $wanted->pins->unit === null ? null : $this->logbook->instrumentRecord($wanted->pins->unit);
            if ($wanted->pins->unit !== null && Cells::text($unit ?? [], 'family') !== $wanted->family) {
                throw Problem::field(\sprintf('/wanted/%d/unit', $place), 'is no unit of that kind.');
            }
        }
        $others = $this->others->beside(Cells::text($asked->told, 'day'), $own);
        $units = $this->kit->of($asked->wanted, $asked->campaign, $policy, $others);
        $day = new DayAsked($asked->wanted, $units, $asked->crew, $asked->places, $asked->handling);

        $plan = Scheduler::plan($day);
        $clashes = array_map(static fn (Clash $other): array => $other->with($plan), $others);

        return KeptPlan::made($asked, $plan->butFor(array_merge(...$clashes)));
    }

    /** What is asked of samples must be whole before a day leans on it. */
    private function holdSamples(AskedDay $asked): void
    {
        foreach ($asked->wanted as $place => $wanted) {
            $this->samples->ofWanted($wanted, $asked->sample($place), 0, null, \sprintf('/wanted/%d/sample', $place));
        }
    }
}
