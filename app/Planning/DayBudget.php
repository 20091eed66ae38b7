<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Planning\Budget;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\TellsWhatIsLeft;
use Footnote\Core\Sheet\ModelSheet;

/** What the checks of a plan take of references that they use up, against what their newest checks say is left. */
final readonly class DayBudget
{
    public function __construct(
        private Logbook $logbook,
        private Kit $kit,
        private EvidenceReader $reader,
        private Formats $families,
        private ModelSheets $sheets,
    ) {
    }

    /** @return list<Budget> */
    public function of(DayPlan $plan): array
    {
        $named = [];
        foreach ($plan->activities as $one) {
            if ($one->reference !== null && !\in_array($one->reference, $named, true)) {
                $named[] = $one->reference;
            }
        }
        sort($named);
        $minutes = null;
        $budgets = [];
        foreach ($this->logbook->references($named) as $reference) {
            foreach ($this->families->all() as $format) {
                if (!$format instanceof TellsWhatIsLeft || !\in_array($reference->kind, $format->usedUp(), true)) {
                    continue;
                }
                $left = $format->minutesLeft($reference, $this->checks($reference, $format));
                $minutes ??= $this->minutes($plan);
                $budget = Budget::of($plan, $reference->id, $left, $minutes);
                if ($budget !== null) {
                    $budgets[] = $budget;
                }
            }
        }

        return $budgets;
    }

    /** @return list<Check> */
    private function checks(Reference $reference, ContentFormat $format): array
    {
        $checks = [];
        foreach ($this->kit->checksOn($reference->id) as $record) {
            $checks[] = $this->reader->check(Fields::of($record), $format);
        }

        return $checks;
    }

    /** @return array<string, Decimal> by = and the unit, of those of which a sheet says it: the longest where several do */
    private function minutes(DayPlan $plan): array
    {
        $minutes = [];
        $sheets = $this->sheets->all();
        foreach ($plan->tasks as $task) {
            $unit = $this->logbook->instrument($task->unit->id);
            foreach ($unit === null ? [] : $sheets->of($unit->family, $unit->model)->sheets as $sheet) {
                $said = self::said($sheet);
                $known = $minutes['='.$task->unit->id] ?? null;
                if ($said !== null && ($known === null || $said->value->compareTo($known->value) > 0)) {
                    $minutes['='.$task->unit->id] = $said;
                }
            }
        }

        return $minutes;
    }

    private static function said(ModelSheet $sheet): ?Decimal
    {
        $minutes = $sheet->gasMinutes();

        return $minutes === null ? null : Decimal::parse($minutes);
    }
}
