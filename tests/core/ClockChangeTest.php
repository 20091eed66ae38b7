<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Mark;
use Footnote\Core\Evidence\MarkOf;
use Footnote\Core\Evidence\Marks;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Evidence\RememberedMarks;
use Footnote\Core\Judgement\Assessment;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * FC-F1: a night on which the civil clock is changed comes to the same numbers as it does in UTC, and to the same stretches:
 * a unit's clock runs on, and what a person left out is left out where it was.
 */
final class ClockChangeTest extends TestCase
{
    /** @return iterable<string, array{string, string}> zone, and the moment of its change */
    public static function changes(): iterable
    {
        yield 'London, back' => ['Europe/London', '2026-10-25T01:00:00'];
        yield 'London, forward' => ['Europe/London', '2026-03-29T01:00:00'];
        yield 'New York, back' => ['America/New_York', '2026-11-01T06:00:00'];
        yield 'New York, forward' => ['America/New_York', '2026-03-08T07:00:00'];
        yield 'Lord Howe, half an hour back' => ['Australia/Lord_Howe', '2026-04-04T15:00:00'];
        yield 'Lord Howe, half an hour forward' => ['Australia/Lord_Howe', '2026-10-03T15:30:00'];
    }

    #[DataProvider('changes')]
    public function testANightOfAChangeIsAnyNight(string $zone, string $change): void
    {
        $at = new \DateTimeImmutable($change, new \DateTimeZone('UTC'));
        self::assertNotSame(
            $at->modify('-1 hour')->setTimezone(new \DateTimeZone($zone))->getOffset(),
            $at->setTimezone(new \DateTimeZone($zone))->getOffset(),
            'the clock changes there',
        );
        $here = self::night($zone, $at);
        $utc = self::night('UTC', $at);
        self::assertNotSame([], $here->results);
        foreach ($utc->results as $place => $result) {
            self::assertSame($result->reportedFigure()->full(), $here->results[$place]->reportedFigure()->full(), $result->title);
            self::assertSame(
                array_map(static fn ($one): ?string => $one->otherwise?->full(), $result->footing->altered),
                array_map(static fn ($one): ?string => $one->otherwise?->full(), $here->results[$place]->footing->altered),
            );
        }
        self::assertSame($utc->verdict, $here->verdict);
    }

    /** What is kept of a unit is taken up to the last moment before a change of its evidence, not an hour beside it. */
    #[DataProvider('changes')]
    public function testMarksAreTakenUpToTheMomentBefore(string $zone, string $change): void
    {
        $at = new \DateTimeImmutable($change, new \DateTimeZone('UTC'));
        $kept = new class implements Marks {
            public ?\DateTimeImmutable $asked = null;

            public function last(MarkOf $of, \DateTimeImmutable $until): ?Mark
            {
                $this->asked = $until;

                return null;
            }

            public function keep(MarkOf $of, Mark $mark): void
            {
            }
        };
        $marks = new RememberedMarks($kept, $at->setTimezone(new \DateTimeZone($zone)));
        self::assertNull($marks->last(new MarkOf('f', '', RecallTaken::Whole), $at->modify('+1 hour')));
        self::assertSame($at->modify('-1 microsecond')->format('Uu'), $kept->asked?->format('Uu'));
    }

    /** Six hours around the change, with an hour across it left out. */
    private static function night(string $zone, \DateTimeImmutable $change): Assessment
    {
        $moment = static fn (string $by): string => $change->modify($by)->format('Y-m-d\TH:i:s');
        $scene = (new GasScene())->check('k1', $moment('-4 hours'))
            ->run('r', $moment('-3 hours'), $moment('+3 hours'), [
                'CO' => array_map(static fn (int $i): string => (string) ($i % 7), range(0, 2159)),
                'PID' => array_map(static fn (int $i): string => (string) (20 + intdiv($i, 60)), range(0, 2159)),
            ], more: [
                'exclusions' => [[
                    'from' => Scene::moment($moment('-20 minutes')),
                    'to' => Scene::moment($moment('+40 minutes')),
                    'reason' => 'away',
                    'by' => 'T-1',
                ]],
            ], logFrom: $change->modify('-3 hours')->setTimezone(new \DateTimeZone($zone))->format('Y-m-d\TH:i:s'))
            ->check('k2', $moment('+4 hours'));
        $scene->record['site'] = ['name' => 'Mill', 'timeZone' => $zone];

        return $scene->assess();
    }
}
