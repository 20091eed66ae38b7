<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Apart;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\TrendSignal;
use Footnote\Core\Judgement\TrendWatch;

/** How a unit goes on, channel by channel: its control charts, what is out of the ordinary, and what is to be known before it is used. */
final readonly class TrendPresenter
{
    public function __construct(
        private Logbook $logbook,
        private Assessor $assessor,
        private KitPolicy $policy,
        private Policies $policies,
        private SiteClock $site,
    ) {
    }

    /** @return array{policy: string, channels: list<array<string, mixed>>} */
    public function of(string $id): array
    {
        if ($this->logbook->instrumentRecord($id) === null) {
            throw Problem::missing('Instrument '.$id);
        }
        $timeline = $this->logbook->timeline($id);
        $family = $this->assessor->family($timeline->instrument->family);
        // Before there is a campaign the first of the shipped says what is out of the ordinary.
        $policy = $this->policy->policy() ?? $this->policies->get($this->policies->newest()[0] ?? '');

        return [
            'policy' => $policy->name,
            'channels' => array_map(
                fn (array $one): array => $this->channel($one[0], $one[1], $family->bench(), $policy),
                Apart::of($family, $timeline),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function channel(string $channel, Timeline $timeline, BenchGuide $bench, Policy $policy): array
    {
        $now = $this->site->now();
        $history = $bench->history($timeline, $now);
        $interventions = array_values(array_filter(
            $timeline->interventions(),
            static fn (Intervention $one): bool => $one->channel === null || $one->channel === $channel,
        ));
        $watch = TrendWatch::of($history, $bench->sharedShift(), $bench->actionLimit($policy), $policy, $interventions, $now);
        $out = array_map(static fn (TrendSignal $one): string => $one->at->check, $watch->signals);

        return [
            'channel' => $channel,
            'unit' => $watch->series->unit->value,
            'isFound' => $watch->series->isFound,
            'points' => array_map(static fn (array $one): array => [
                'check' => $one[0]->check,
                'at' => $one[0]->at->format(\DATE_ATOM),
                'value' => $one[1],
                'out' => \in_array($one[0]->check, $out, true),
            ], $watch->series->points),
            'chart' => $watch->chart === null ? null : [
                'centre' => $watch->chart->centre,
                'lower' => $watch->chart->lower(),
                'upper' => $watch->chart->upper(),
            ],
            'words' => $watch->words,
            'now' => $watch->now,
        ];
    }
}
