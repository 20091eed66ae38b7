<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Runs\FitLines;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\FallsDue;
use Footnote\Core\Judgement\Policy;

/**
 * What of the kit falls due: of every unit and every reference in use, by the policy of the newest campaign. Units for practice are left
 * out: nothing that counts waits for them.
 *
 * @phpstan-import-type Due from FitLines
 *
 * @phpstan-type Dated array{owner: 'instruments'|'references', id: string, model: string, due: Due, holdsUp: list<string>}
 */
final readonly class KitDates
{
    public function __construct(
        private FitLines $lines,
        private Logbook $logbook,
        private Kit $kit,
        private Retirements $retirements,
        private PracticeUnits $practice,
        private Campaigns $campaigns,
        private Policies $policies,
        private SiteClock $site,
    ) {
    }

    /**
     * @return array{items: list<Dated>, waiting: int}|null what was never done first, then by time; and of how many units it is not
     *                                                       worked out yet; null where no campaign says by which policy
     */
    public function all(): ?array
    {
        $campaign = $this->campaigns->newest();
        if ($campaign === null) {
            return null;
        }
        [$items, $waiting] = $this->ofUnits($this->lines->all() ?? []);
        array_push($items, ...$this->ofReferences($this->policies->get($campaign['policy'])));
        // What was never done has no moment, and stands before all.
        $timed = array_map(static fn (array $item): array => [
            'at' => $item['due']['until'] === null ? 0 : (new \DateTimeImmutable($item['due']['until']))->getTimestamp(),
            'item' => $item,
        ], $items);
        usort(
            $timed,
            static fn (array $one, array $other): int => [$one['at'], $one['item']['id']] <=> [$other['at'], $other['item']['id']],
        );

        return ['items' => array_column($timed, 'item'), 'waiting' => $waiting];
    }

    /**
     * @param array<string, array{due: list<Due>}> $lines
     *
     * @return array{list<Dated>, int}
     */
    private function ofUnits(array $lines): array
    {
        $outOfUse = [...$this->retirements->instruments(), ...$this->practice->all()];
        $items = [];
        $waiting = 0;
        foreach ($this->logbook->instrumentRecords() as $record) {
            $id = Cells::text($record, 'id');
            if (isset($outOfUse['='.$id])) {
                continue;
            }
            $waiting += isset($lines['='.$id]) ? 0 : 1;
            foreach ($lines['='.$id]['due'] ?? [] as $due) {
                $model = Cells::text($record, 'model');
                $items[] = ['owner' => 'instruments', 'id' => $id, 'model' => $model, 'due' => $due, 'holdsUp' => [$id]];
            }
        }

        return [$items, $waiting];
    }

    /** @return list<Dated> */
    private function ofReferences(Policy $policy): array
    {
        $retired = $this->retirements->references();
        $leaning = $this->kit->leaning();
        $now = $this->site->now();
        $items = [];
        foreach ($this->logbook->references() as $reference) {
            $due = isset($retired['='.$reference->id]) ? null : FallsDue::ofReference($reference, $policy, $now);
            if ($due !== null) {
                $items[] = [
                    'owner' => 'references',
                    'id' => $reference->id,
                    'model' => $reference->model,
                    'due' => FitLines::due($due),
                    'holdsUp' => $leaning['='.$reference->id] ?? [],
                ];
            }
        }

        return $items;
    }
}
