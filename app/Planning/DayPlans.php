<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\KeptPlans;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Planning\Demands;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/**
 * The plans of days that are kept.
 *
 * @phpstan-import-type Listed from KeptPlans
 */
final readonly class DayPlans
{
    public function __construct(private KeptPlans $kept, private Formats $families, private Demands $demands, private SiteClock $site)
    {
    }

    /** @return list<Listed> the newest day first */
    public function all(): array
    {
        return $this->kept->all();
    }

    /**
     * @return array{id: string, version: int, by: string, at: string, day: string, campaign: string, body: array<string, mixed>}
     *
     * @throws Problem where there is none
     */
    public function head(string $id): array
    {
        return $this->kept->newest($id) ?? throw Problem::missing('Plan '.$id);
    }

    public function plan(string $id): KeptPlan
    {
        return $this->of($this->head($id)['body']);
    }

    /** @param array<string, mixed> $body */
    public function of(array $body): KeptPlan
    {
        return KeptPlan::of($body, $this->asked(Fields::of($body['asked'] ?? [])));
    }

    /** What somebody wants of a day, in the hours of this site. */
    public function asked(Fields $told): AskedDay
    {
        $families = array_map(strval(...), array_keys($this->families->all()));

        return AskedDay::of($told, $this->site->zone(), $families, $this->demands);
    }

    /**
     * @param string $day such as 2026-12-02
     *
     * @return list<string> plans of that day and of later ones
     */
    public function since(string $day): array
    {
        return $this->kept->since($day);
    }
}
