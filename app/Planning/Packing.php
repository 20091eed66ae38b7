<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\KitWords;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\ModelSheets;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Record\KitWord;

/** What goes along on a day: units and references, with what belongs to each and what the sheets of their models lay out. */
final readonly class Packing
{
    public function __construct(private KitWords $words, private Logbook $logbook, private ModelSheets $sheets)
    {
    }

    /** @return list<array{id: string, model: string, with: list<string>, missing: list<string>}> by name */
    public function of(DayPlan $plan): array
    {
        $units = $this->words->all('instruments');
        $references = $this->words->all('references');
        $sheets = $this->sheets->all();
        $packed = [];
        foreach ($plan->tasks as $task) {
            $id = $task->unit->id;
            $unit = $this->logbook->instrument($id);
            $laid = [];
            foreach ($unit === null ? [] : $sheets->of($unit->family, $unit->model)->sheets as $sheet) {
                array_push($laid, ...$sheet->layOut());
            }
            $packed['='.$id] ??= self::line($id, $unit->model ?? '', $units['='.$id] ?? null, $laid);
        }
        $used = array_unique(array_filter(array_column($plan->activities, 'reference'), \is_string(...)));
        foreach ($this->logbook->references(array_values($used)) as $reference) {
            $word = $references['='.$reference->id] ?? null;
            $packed['='.$reference->id] ??= self::line($reference->id, $reference->model, $word, []);
        }
        ksort($packed);

        return array_values($packed);
    }

    /**
     * @param list<string> $laid
     *
     * @return array{id: string, model: string, with: list<string>, missing: list<string>}
     */
    private static function line(string $id, string $model, ?KitWord $word, array $laid): array
    {
        $with = array_values(array_unique([...$word?->packed() ?? [], ...$laid]));

        return ['id' => $id, 'model' => $model, 'with' => $with, 'missing' => $word?->missing() ?? []];
    }
}
