<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Access\Role;
use Footnote\App\Office\DatesTable;
use Footnote\Tests\Core\AirScene;
use Footnote\Tests\Core\GasScene;
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

    /** What has a day of its own stands beside what the rules ask; what is missing is not exchanged. */
    public function testWhatTheSiteHasDatedItself(): void
    {
        self::mockTime('2026-03-03T10:00:00+00:00');
        $this->import(self::scene());
        $this->signIn(Role::Technician);
        $word = ['state' => 'here', 'owner' => 'hired', 'whose' => 'Lark Hire', 'until' => '2026-03-20', 'belongs' => [
            ['what' => 'inlet filter', 'until' => '2026-03-02'],
            ['what' => 'cap', 'until' => '2026-03-03', 'missing' => true],
            ['what' => 'case'],
        ]];
        $wrong = [...$word, 'belongs' => [['what' => 'inlet filter', 'until' => 'soon']]];
        $refused = $this->call('POST', '/api/kit/instruments/D/word', $wrong, 422);
        self::assertSame('/belongs/0/until', $refused->string('fields.0.field'));
        $this->call('POST', '/api/kit/instruments/D/word', $word);
        $ordered = ['state' => 'here', 'ordered' => '2 March, of Lark Supplies'];
        $this->call('POST', '/api/kit/references/A/word', $ordered);
        $shown = array_map(
            static fn (array $one): array => [$one['id'], $one['day'], $one['what'], $one['state'], $one['weighs'], $one['note']],
            self::items($this->call('GET', '/api/dates')),
        );
        self::assertContains(['D', '2026-03-02', 'exchange: inlet filter', 'past', null, ''], $shown);
        self::assertContains(['D', '2026-03-20', 'goes back to Lark Hire', 'soon', null, ''], $shown);
        $calibration = ['A', '2026-06-01', 'laboratory calibration', 'in date', 'qualified'];
        self::assertContains([...$calibration, 'Another one is ordered: 2 March, of Lark Supplies.'], $shown);
        self::assertCount(6, $shown);

        // What is lost is owed, and not looked after.
        $this->call('POST', '/api/kit/instruments/D/word', ['state' => 'lost'] + $word);
        $left = array_column(self::items($this->call('GET', '/api/dates')), 'what');
        self::assertNotContains('exchange: inlet filter', $left);
        self::assertContains('goes back to Lark Hire', $left);
        // What falls due of it says where it is.
        $this->call('POST', '/api/kit/references/A/word', ['state' => 'out', 'place' => 'County'] + $ordered);
        $notes = array_column(self::items($this->call('GET', '/api/dates')), 'note', 'evidence');
        self::assertSame('It is lost.', $notes['L-2026-03-05']);
        self::assertContains('It is out of the house: County. Another one is ordered: 2 March, of Lark Supplies.', $notes);
    }

    /** A sample waits as long as its method says, from the end of its run, until a laboratory has told of it. */
    public function testASampleHoldsAsLongAsItsMethodSays(): void
    {
        self::mockTime('2026-03-03T10:00:00+00:00');
        $scene = (new AirScene())
            ->check('k1', '07:45', ['2.0'])
            ->run('r', '08:00', '11:00')
            ->run('r2', '11:30', '14:00')
            ->run('r3', '14:30', null)
            ->found('r2', '720');
        \assert(\is_array($scene->record['library']) && \is_array($scene->record['library']['methods']));
        $scene->record['library']['methods'] = array_map(
            static fn (mixed $one): array => [...(array) $one, 'holdingDays' => '14.5'],
            $scene->record['library']['methods'],
        );
        $this->importRecord($scene->record);
        $this->signIn(Role::Reader);
        $waiting = array_values(array_filter(
            self::items($this->call('GET', '/api/dates')),
            static fn (array $one): bool => $one['owner'] === 'samples',
        ));
        // The second was analysed, and the third is still drawn.
        self::assertSame(
            [['M-r', 'r', '2026-03-16T23:00:00+00:00', true, 'W-01, sanding']],
            array_map(
                static fn (array $one): array => [$one['id'], $one['evidence'], $one['until'], $one['laboratory'], $one['note']],
                $waiting,
            ),
        );
    }

    public function testTheTimeThatACheckTakesStandsBesideIt(): void
    {
        self::mockTime('2026-03-02T10:00:00+00:00');
        $this->importRecord((new GasScene())->check('k1', '07:45')->record);
        $this->signIn(Role::Reader);
        $bench = array_values(array_filter(
            self::items($this->call('GET', '/api/dates')),
            static fn (array $one): bool => $one['owner'] === 'instruments' && $one['laboratory'] === false,
        ));
        self::assertNotSame([], $bench);
        foreach ($bench as $one) {
            self::assertIsInt($one['minutes']);
            self::assertGreaterThan(5, $one['minutes']);
            self::assertTrue($one['assumed'], 'no sheet of the model says so');
        }
    }

    /** A monitor on the shelf is late for nothing until it goes out; one that is out and was not bumped since is. */
    public function testWhatIsWantedEveryDayIsLateWithAUnitAtWorkAlone(): void
    {
        $bumps = function (): array {
            $dates = $this->call('GET', '/api/dates');
            $bumps = array_filter(self::items($dates), static fn (array $one): bool => $one['what'] === 'bump test');
            self::assertCount(1, $bumps);

            return [array_values($bumps)[0]['state'], $dates->at('over'), $dates->at('soon')];
        };
        self::mockTime('2026-03-02T10:00:00+00:00');
        $this->importRecord((new GasScene())->check('k1', '07:45')->record);
        $this->signIn(Role::Technician);
        [$state, , $soon] = $bumps();
        self::assertSame('in date', $state);
        self::mockTime('2026-03-04T10:00:00+00:00');
        $this->signIn(Role::Technician);
        self::assertSame(['before use', 0, $soon], $bumps());
        $calendar = $this->call('POST', '/api/calendars', ['title' => 'Kit', 'by' => 'bench'], 201)->string('address');
        $read = function () use ($calendar): string {
            $this->browser->request('GET', (string) parse_url($calendar, \PHP_URL_PATH));

            return str_replace("\r\n ", '', (string) $this->browser->getResponse()->getContent());
        };
        self::assertStringNotContainsString('bump test, counts', $read());
        self::assertStringContainsString('it is wanted before the unit goes out', $read());
        $this->call('POST', '/api/runs', [
            'campaign' => 'c',
            'instrument' => 'G',
            'start' => '2026-03-04T09:00:00+00:00',
            'person' => 'W-04',
            'task' => 'spraying',
            'despite' => 'there is no other',
        ], 201);
        self::assertSame(['past', 1, $soon], $bumps());
        self::assertStringContainsString('SUMMARY:Over or never done: G', $read());
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
