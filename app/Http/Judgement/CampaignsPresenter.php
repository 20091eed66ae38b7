<?php

declare(strict_types=1);

namespace Footnote\App\Http\Judgement;

use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Libraries;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\Core\Air\Substances;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\HasCriteria;
use Footnote\Core\Record\YardstickSet;

/** Campaigns with what they are judged by and measure against, and what limits can be set for. */
final readonly class CampaignsPresenter
{
    public function __construct(
        private EntityManagerInterface $entities,
        private Campaigns $campaigns,
        private Libraries $libraries,
        private Formats $families,
        private Assessor $assessor,
    ) {
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        $substances = $this->libraries->names(Substances::SHELF);
        $counts = $this->campaigns->counts();

        return [
            'campaigns' => array_map(fn (Campaign $campaign): array => [
                'id' => $campaign->id,
                'version' => $campaign->version(),
                'title' => $campaign->title,
                'site' => $campaign->site,
                'zone' => $campaign->zone,
                'policy' => $campaign->policy(),
                'policyChanged' => $campaign->policyWasChanged(),
                'runs' => $counts[$campaign->id] ?? 0,
                'criteria' => $campaign->yardsticks()['criteria'] ?? [],
                'limits' => $campaign->yardsticks()['limits'] ?? [],
                'quantities' => $this->quantities($campaign, $substances),
            ], $this->entities->getRepository(Campaign::class)->findBy([], ['id' => 'ASC'])),
            'shipped' => $this->families->shipped(),
        ];
    }

    /** @return array{sets: list<array<string, mixed>>, zones: list<string>} what a campaign may be begun with */
    public function beginnings(): array
    {
        return [
            'sets' => array_map(fn (YardstickSet $set): array => [
                'id' => $set->id,
                'agent' => $set->agent,
                'title' => $set->title,
                'source' => $set->source,
                'oneOf' => $set->oneOf,
                'holds' => $this->holds($set),
            ], $this->families->sets()),
            'zones' => \DateTimeZone::listIdentifiers(),
        ];
    }

    /** @return list<string> */
    private function holds(YardstickSet $set): array
    {
        $read = (new EvidenceReader($this->families))->yardsticks(Fields::of($this->families->begunWith([$set->id])));

        return [
            ...array_map(static fn (Criterion $one): string => $one->name(), $read->criteria),
            ...array_map(static fn (ExposureLimit $one): string => $one->title.' '.$one->threshold->words(), $read->limits),
        ];
    }

    /**
     * What a limit of the campaign can be set for, family by family.
     *
     * @param array<string, string> $substances
     *
     * @return list<array{value: string, words: string, unit: string, of: string}>
     */
    private function quantities(Campaign $campaign, array $substances): array
    {
        $quantities = [];
        $criteria = $campaign->yardsticks()['criteria'] ?? [];
        foreach ($this->families->all() as $family => $format) {
            $own = [];
            foreach (\is_array($criteria) ? $criteria : [] as $criterion) {
                if (\is_array($criterion) && $format instanceof HasCriteria && $format->knowsCriterion(Fields::of($criterion))) {
                    $own[] = Fields::of($criterion)->text('id');
                }
            }
            $of = $this->assessor->family($family)->title();
            foreach ($format->quantities($own, $substances) as $quantity) {
                $quantities[] = [...$quantity, 'of' => $of];
            }
        }

        return $quantities;
    }
}
