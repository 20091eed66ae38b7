<?php

declare(strict_types=1);

namespace Footnote\App\Runs;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Policies;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\StoredMarks;
use Footnote\App\Logbook\UnitLines;
use Footnote\Core\Judgement\FallsDue;
use Footnote\Core\Judgement\Fitness;

/**
 * Whether each unit may go out, and what of it falls due, by the policy of the newest campaign: worked out once a day for each unit, and
 * again when its evidence changes.
 *
 * @phpstan-type Due array{
 *     what: string,
 *     channels: list<string>,
 *     until: string|null,
 *     evidence: string,
 *     every: string,
 *     own: bool,
 *     daily: bool,
 *     source: string,
 *     laboratory: bool,
 *     weighs: string|null,
 * }
 * @phpstan-type Line array{state: string, stays: bool, until: string|null, against: list<string>, over: string, due: list<Due>}
 */
final readonly class FitLines
{
    /** So long it is worked out for units that have a long past and were never judged, before the list is shown with what there is. */
    private const SECONDS = 1.0;

    public function __construct(
        private FitToStart $fit,
        private UnitLines $lines,
        private Campaigns $campaigns,
        private SiteClock $site,
        private Logbook $logbook,
        private Policies $policies,
    ) {
    }

    /**
     * @return array<string, Line>|null by = and the unit; without those that are not worked out yet; null where no campaign says by which
     *                                  policy
     */
    public function all(): ?array
    {
        $campaign = $this->campaigns->newest();
        if ($campaign === null) {
            return null;
        }
        $now = $this->site->now();
        /** @var array<string, StoredMarks> $marks */
        $marks = [];
        $policy = null;

        // What is against a unit does not change while time goes by but by the end that is told with it; the words name hours of today.
        /** @var array<string, Line> what was kept has the shape of what is worked out */
        return $this->lines->of(
            \sprintf('fit %s %s %s', $now->format('Y-m-d'), $campaign['policy'], $campaign['zone']),
            function (string $unit) use ($campaign, $now, &$marks, &$policy): array {
                $stored = $this->logbook->unit($unit);
                $marks['='.$unit] = $stored->marks;
                $policy ??= $this->policies->get($campaign['policy']);

                return self::line($this->fit->by($unit, $campaign['id'], $policy, $now, $stored->timeline), $now->getTimezone());
            },
            seconds: self::SECONDS,
            marks: static function (string $unit) use (&$marks): ?StoredMarks {
                return $marks['='.$unit] ?? null;
            },
        );
    }

    /** @return Line */
    private static function line(Fitness $fitness, \DateTimeZone $zone): array
    {
        return [...self::told($fitness, $zone), 'due' => array_map(self::due(...), $fitness->due)];
    }

    /** @return array{state: string, stays: bool, until: string|null, against: list<string>, over: string} */
    public static function told(Fitness $fitness, \DateTimeZone $zone): array
    {
        return [
            'state' => $fitness->state->value,
            'stays' => $fitness->stays,
            'until' => $fitness->until?->at->setTimezone($zone)->format(\DATE_ATOM),
            'against' => $fitness->against,
            'over' => $fitness->until?->words($zone) ?? '',
        ];
    }

    /** @return Due */
    public static function due(FallsDue $due): array
    {
        return [
            'what' => $due->what,
            'channels' => $due->channels,
            'until' => $due->until?->format(\DATE_ATOM),
            'evidence' => $due->evidence,
            'every' => $due->every->words ?? '',
            'own' => $due->every->isItsOwn ?? false,
            'daily' => $due->every->isOfOneDay ?? false,
            'source' => $due->every->source->words ?? '',
            'laboratory' => $due->isForLaboratory(),
            'weighs' => $due->weighs?->value,
        ];
    }
}
