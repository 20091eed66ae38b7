<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use Footnote\App\Console\StandInCommand;
use Footnote\Core\Families;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Tester\CommandTester;

/** The console prints a stand-in's readings as they would come, or all at once. */
final class StandInCommandTest extends TestCase
{
    private const FROM = '2026-03-02T07:00:00+00:00';

    public function testLinesComeAsTimePasses(): void
    {
        $clock = new MockClock(self::FROM);
        $tester = new CommandTester(new StandInCommand(Families::formats(), $clock));
        self::assertSame(Command::SUCCESS, $tester->execute(['kind' => 'acoustic-check', '--seconds' => '12', '--speed' => '4']));
        $lines = array_map(
            static fn (string $line): mixed => json_decode($line, true, 4, \JSON_THROW_ON_ERROR),
            explode("\n", trim($tester->getDisplay())),
        );
        self::assertCount(13, $lines);
        $last = $lines[12];
        self::assertIsArray($last);
        self::assertSame(['at', 'unit', 'channel', 'value', 'in'], array_keys($last));
        self::assertSame('2026-03-02T07:00:12.000+00:00', $last['at']);
        self::assertSame('2026-03-02 07:00:03', $clock->now()->format('Y-m-d H:i:s'), 'four times as fast');
    }

    /** @param array<string, string> $asked */
    #[TestWith([['kind' => 'nothing'], 'acoustic-check'])]
    #[TestWith([['kind' => 'gas-check', '--fault' => 'haunted'], 'it has poisoned, dead'])]
    #[TestWith([['kind' => 'gas-check', '--seed' => '1e999'], '--seed is a whole number'])]
    #[TestWith([['kind' => 'gas-check', '--speed' => '-1'], '--speed is a whole number'])]
    public function testWhatItCannotDoItSays(array $asked, string $says): void
    {
        $tester = new CommandTester(new StandInCommand(Families::formats(), new MockClock(self::FROM)));
        self::assertSame(Command::INVALID, $tester->execute($asked));
        self::assertStringContainsString($says, $tester->getDisplay());
    }
}
