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
        $seen = (int) ($told->optionalNumber('version', 0, 1e9) ?? throw Problem::field('/version', 'is missing: which one was seen?'));
        $journalled = ['campaign' => $id, ...array_diff_key($told->data(), ['version' => 1])];
        $this->journal->during($by->code, 'campaign measures against', $journalled, function () use ($id, $told, $seen): void {
            $campaign = $this->entities->find(Campaign::class, $id) ?? throw Problem::missing('Campaign '.$id);
            $this->entities->refresh($campaign);
            if ($campaign->version() !== $seen) {
                throw new Problem(
                    409,
                    $this->journal->told($campaign->version()).' meanwhile. Look at it again; what you typed is still on your screen.',
                );
            }
            $campaign->measureAgainst(['criteria' => $told->raw('criteria') ?? [], 'limits' => $told->raw('limits') ?? []]);
            $this->touches->campaign($id);
        });
    }
}
