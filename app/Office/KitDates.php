<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Kit;
use Footnote\App\Logbook\KitWords;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\Retirements;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Runs\FitLines;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\FallsDue;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Record\KitWord;

/**
 * What of the kit falls due: of every unit and every reference in use, by the policy of the newest campaign. Units for practice are left
 * out: nothing that counts waits for them.
 *
 * Beside it what a site has dated itself, and samples that hold for a time.
 *
 * @phpstan-import-type Due from FitLines
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
        private KitWords $words,
        private TakesOfUnits $takes,
        private SampleDates $samples,
    ) {
    }

    /**
     * @return array{items: list<DueItem>, waiting: int}|null what was never done first, then by time; and of how many units it is not
     *                                                       worked out yet; null where no campaign says by which policy
     */
    public function all(): ?array
    {
        $campaign = $this->campaigns->newest();
        if ($campaign === null) {
            return null;
        }
        $units = $this->logbook->instrumentRecords();
        [$items, $waiting] = $this->ofUnits($units, $this->lines->all() ?? []);
        array_push($items, ...$this->ofReferences($this->policies->get($campaign['policy'])), ...$this->samples->all($units));
        usort($items, DueItem::order(...));

        return ['items' => $items, 'waiting' => $waiting];
    }

    /**
     * @param array<int|string, array<string, mixed>> $units
     * @param array<string, array{due: list<Due>}>    $lines
     *
     * @return array{list<DueItem>, int}
     */
    private function ofUnits(array $units, array $lines): array
    {
        $words = $this->words->all('instruments');
        $takes = $this->takes->of($units);
        $atWork = $this->kit->atWork();
        $now = $this->site->now();
        $outOfUse = [...$this->retirements->instruments(), ...$this->practice->all()];
        $items = [];
        $waiting = 0;
        foreach ($units as $record) {
            $id = Cells::text($record, 'id');
            if (isset($outOfUse['='.$id])) {
                continue;
            }
            $waiting += isset($lines['='.$id]) ? 0 : 1;
            $model = Cells::text($record, 'model');
            foreach ($lines['='.$id]['due'] ?? [] as $due) {
                // Who is at work with it cannot do before use what is over meanwhile.
                $due = ['daily' => $due['daily'] && !isset($atWork['='.$id])] + $due;
                $items[] = new DueItem(
                    'instruments',
                    $id,
                    $model,
                    $due,
                    [$id],
                    $due['laboratory'] ? null : $takes['='.$id] ?? null,
                    ($words['='.$id] ?? null)?->keeps($now) ?? '',
                );
            }
            array_push($items, ...$this->said('instruments', $id, $model, $words['='.$id] ?? null));
        }

        return [$items, $waiting];
    }

    /** @return list<DueItem> */
    private function ofReferences(Policy $policy): array
    {
        $words = $this->words->all('references');
        $leaning = $this->kit->leaning();
        $now = $this->site->now();
        $items = [];
        foreach ($this->retirements->inUse($this->logbook->references()) as $reference) {
            $word = $words['='.$reference->id] ?? null;
            $ordered = $word?->ordered() ?? '';
            array_push($items, ...$this->said('references', $reference->id, $reference->model, $word));
            $due = FallsDue::ofReference($reference, $policy, $now);
            if ($due !== null) {
                $items[] = new DueItem(
                    'references',
                    $reference->id,
                    $reference->model,
                    FitLines::due($due),
                    $leaning['='.$reference->id] ?? [],
                    note: implode(' ', array_filter([
                        $word?->keeps($now) ?? '',
                        $ordered === '' ? '' : \sprintf('Another one is ordered: %s.', rtrim($ordered, '.')),
                    ], static fn (string $words): bool => $words !== '')),
                );
            }
        }

        return $items;
    }

    /**
     * What the site has dated itself: to the end of that day.
     *
     * @param 'instruments'|'references' $owner
     *
     * @return list<DueItem>
     */
    private function said(string $owner, string $id, string $model, ?KitWord $word): array
    {
        $dated = $word?->dated() ?? [];
        $zone = $dated === [] ? null : $this->site->zone();

        return array_map(static fn (array $one): DueItem => new DueItem(
            $owner,
            $id,
            $model,
            DueItem::plain($one['what'], new \DateTimeImmutable($one['day'].' 23:59:59', $zone), '', false),
        ), $dated);
    }
}
