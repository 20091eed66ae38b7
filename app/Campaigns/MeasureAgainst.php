<?php

declare(strict_types=1);

namespace Footnote\App\Campaigns;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Access\User;
use Footnote\App\Journal\Journal;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Touches;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\InvalidRecord;

/** What a campaign measures against: criteria and limits, each under an identifier of its own. */
final readonly class MeasureAgainst
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Journal $journal,
        private Touches $touches,
        private Formats $families,
    ) {
    }

    public function __invoke(User $by, string $id, Fields $told): void
    {
        $read = (new EvidenceReader($this->families))->yardsticks($told);
        foreach ([$read->criteria, $read->limits] as $items) {
            $ids = array_map(
                static fn ($item): string => $item instanceof Criterion ? $item->id() : $item->id,
                $items,
            );
            if (\count($ids) !== \count(array_unique($ids))) {
                throw new InvalidRecord($items === $read->criteria ? '/criteria' : '/limits', 'two of them have the same identifier.');
            }
        }
        $journalled = ['campaign' => $id, ...$told->data()];
        $this->journal->during($by->code, 'campaign measures against', $journalled, function () use ($id, $told): void {
            $campaign = $this->entities->find(Campaign::class, $id) ?? throw Problem::missing('Campaign '.$id);
            $campaign->measureAgainst(['criteria' => $told->raw('criteria') ?? [], 'limits' => $told->raw('limits') ?? []]);
            $this->touches->campaign($id);
        });
    }
}
