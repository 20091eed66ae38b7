<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Logbook\SiteClock;
use Footnote\App\Runs\FitLines;
use Footnote\Core\Judgement\Fitness;
use Footnote\Core\Judgement\FitState;

/**
 * Whether each unit may go out now, by the policy of the newest campaign.
 *
 * @phpstan-type Fit array{state: string, stays: bool, until: string|null, against: list<string>}
 */
final readonly class FitnessPresenter
{
    public function __construct(private FitLines $lines, private SiteClock $site)
    {
    }

    /**
     * @return array<string, Fit> by = and the unit; without those that are not worked out yet; empty where no campaign says by which
     *                            policy
     */
    public function all(): array
    {
        $now = $this->site->now();

        return array_map(static fn (array $line): array => self::at($line, $now), $this->lines->all() ?? []);
    }

    /** @return Fit of a unit that was just judged */
    public static function shown(Fitness $fitness, \DateTimeImmutable $now): array
    {
        return self::at(FitLines::told($fitness, $now->getTimezone()), $now);
    }

    /**
     * @param array{state: string, stays: bool, until: string|null, against: list<string>, over: string} $line
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
