<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Office\DatesTable;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;

/** What of the kit falls due: listed by the day of the site, as a table too, and gone with what goes out of use. */
final class DatesApiTest extends ApiTestCase
{
    use ClockSensitiveTrait;
    use DueKit;

    public function testWhatFallsDueIsListedWithWhatItHoldsUp(): void
    {
        self::mockTime('2026-03-03T10:00:00+00:00');
        $this->import(self::scene());
        $this->signIn(Role::Reader);
        $dates = $this->call('GET', '/api/dates');
        $shown = array_map(static fn (array $one): array => [
            $one['id'], $one['day'], $one['state'], $one['weighs'], $one['holdsUp'],
        ], self::items($dates));
        self::assertSame([
            ['D-3', null, 'none', null, ['D-3']],
            ['D-2', '2026-03-01', 'past', 'qualified', ['D-2']],
            ['D', '2026-03-05', 'soon', 'qualified', ['D']],
            ['A', '2026-06-01', 'in date', 'qualified', ['D']],
        ], $shown);
        self::assertSame([1, 1, 0, true], [$dates->at('over'), $dates->at('soon'), $dates->at('waiting'), $dates->at('known')]);

        // The table says the same, in the same order.
        $rows = array_map(
            static fn (string $line): array => str_getcsv($line, escape: ''),
            explode("\n", trim($this->call('GET', '/api/dates.csv')->text)),
        );
        self::assertSame(['until', 'what', 'of'], \array_slice($rows[0], 0, 3));
        self::assertSame(['D-3', 'D-2', 'D', 'A'], array_column(\array_slice($rows, 1), 2));
        self::assertSame('2026-03-05T23:59:59+00:00', $rows[3][0]);
    }

    public function testTheDayAfterItIsOverAndWhatGoesOutOfUseIsGone(): void
    {
        self::mockTime('2026-03-05T23:59:59+00:00');
        $this->import(self::scene());
        $this->signIn(Role::Steward);
        self::assertSame('soon', $this->call('GET', '/api/dates')->string('items.2.state'));
        self::mockTime('2026-03-06T00:00:00+00:00');
        self::assertSame('past', $this->call('GET', '/api/dates')->string('items.2.state'));
        $this->call('POST', '/api/kit/instruments/D/retirement', ['reason' => 'dropped', 'back' => false], 204);
        self::assertSame(['D-3', 'D-2', 'A'], array_column(self::items($this->call('GET', '/api/dates')), 'id'));
    }

    public function testEveryColumnIsDescribed(): void
    {
        self::assertDescribed(DatesTable::columns());
    }

    public function testAnEmptyLogbookSaysThatNoPolicyIsKnown(): void
    {
        $this->signIn(Role::Reader);
        $dates = $this->call('GET', '/api/dates');
        self::assertSame([false, []], [$dates->at('known'), $dates->list('items')]);
    }

    /** @return list<array<string, mixed>> */
    private static function items(Answer $dates): array
    {
        /** @var list<array<string, mixed>> */
        return $dates->list('items');
    }
}
