<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Evidence\Away;
use Footnote\Core\Evidence\DeviceClock;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** By which clock something was done where no server answered. */
final class AwayClockTest extends TestCase
{
    private const NOW = '2026-03-02T11:40:00+00:00';

    /** @return iterable<string, array{int, int|null, string|null}> s ahead now, s ahead before, and what speaks against it */
    public static function clocks(): iterable
    {
        yield 'right' => [0, 0, null];
        yield 'as much ahead as a watch is read to' => [120, 0, null];
        yield 'as much behind' => [0, -120, null];
        yield 'a second more ahead' => [121, 0, 'is 2 min 1 s ahead now'];
        yield 'a second more behind' => [-121, 0, 'is 2 min 1 s behind now'];
        // Set right on the way home: every moment that it gave before was wrong.
        yield 'set right since' => [0, 3600, 'was 1 h ahead when the network was lost'];
        yield 'summer time that was not followed' => [-3600, -3600, 'is 1 h behind now'];
        yield 'nobody knows how it stood' => [0, null, 'was never held against the clock of the server'];
    }

    #[DataProvider('clocks')]
    public function testAClockIsHeldAgainstTheServers(int $ahead, ?int $before, ?string $against): void
    {
        $now = new \DateTimeImmutable(self::NOW);
        $then = $now->modify('-5 hours');
        $clock = $before === null
            ? new DeviceClock($now->modify(\sprintf('%+d seconds', $ahead)))
            : new DeviceClock($now->modify(\sprintf('%+d seconds', $ahead)), $then->modify(\sprintf('%+d seconds', $before)), $then);
        self::assertSame([$ahead, $against], [$clock->ahead($now), $clock->against($now)]);
    }

    public function testARecordSaysHowItWas(): void
    {
        $record = (new Scene())->check('c', '08:00', ['114.0'], more: [
            'away' => ['brought' => '2026-03-02T11:40:00+00:00', 'ahead' => -300, 'why' => 'held against the wall clock'],
        ])->read();
        self::assertSame(
            'Made without a network and brought on 2 Mar 2026, 12:40. Its moments are by the clock of the device, '
                .'which was 300 s behind then; they stand because: held against the wall clock.',
            $record->timelines['D']->lastCheck()?->notes->away?->words(new \DateTimeZone('Europe/Berlin')),
        );
        $right = new Away(new \DateTimeImmutable(self::NOW), 0);
        self::assertStringEndsWith('which was right then.', $right->words(new \DateTimeZone('UTC')));
    }
}
