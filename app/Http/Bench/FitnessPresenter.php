<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\UnitLines;
use Footnote\App\Runs\FitToStart;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\FitState;

/**
 * Whether each unit may go out now, by the policy of the newest campaign.
 *
 * @phpstan-type Fit array{state: string, stays: bool, until: string|null, against: list<string>}
 * @phpstan-type Line array{state: string, stays: bool, until: string|null, against: list<string>, over: string}
 */
final readonly class FitnessPresenter
{
    /** So long it is worked out for units that have a long past and were never judged, before the list is shown with what there is. */
    private const SECONDS = 1.0;

    public function __construct(
        private FitToStart $fit,
        private UnitLines $lines,
        private Campaigns $campaigns,
        private SiteClock $site,
    ) {
    }

    /**
     * @return array<string, Fit> by = and the unit; without those that are not worked out yet; empty where no campaign says by which
     *                            policy
     */
    public function all(): array
    {
        $campaign = $this->campaigns->newest();
        if ($campaign === null) {
            return [];
        }
        $now = $this->site->now();
        // What is against a unit does not change while time goes by but by the end that is told with it; the words name hours of today.
        $lines = $this->lines->of(
            \sprintf('fit %s %s %s', $now->format('Y-m-d'), $campaign['policy'], $campaign['zone']),
            fn (string $unit): array => self::told($this->fit->of($unit, $campaign['id'], $campaign['policy'], $now), $now->getTimezone()),
            seconds: self::SECONDS,
        );

        /** @var array<string, Line> $lines what was kept has the shape of what is worked out */
        return array_map(static fn (array $line): array => self::at($line, $now), $lines);
    }

    /** @return Fit of a unit that was just judged */
    public static function shown(Fitness $fitness, \DateTimeImmutable $now): array
    {
        return self::at(self::told($fitness, $now->getTimezone()), $now);
    }

    /** @return Line */
    private static function told(Fitness $fitness, \DateTimeZone $zone): array
    {
        return [
            'state' => $fitness->state->value,
            'stays' => $fitness->stays,
            'until' => $fitness->until?->at->setTimezone($zone)->format(\DATE_ATOM),
            'against' => $fitness->against,
            'over' => $fitness->until?->words($zone) ?? '',
        ];
    }

    /**
     * @param Line $line
     *
     * @return Fit
     */
    private static function at(array $line, \DateTimeImmutable $now): array
    {
        $until = $line['until'] === null ? null : new \DateTimeImmutable($line['until']);
        $isOver = $line['state'] === FitState::Fit->value && $until !== null && $now > $until;

        return [
            'state' => $isOver ? FitState::CheckFirst->value : $line['state'],
            'stays' => $line['stays'],
            'until' => $line['until'],
            'against' => $isOver ? [$line['over']] : $line['against'],
        ];
    }
}
