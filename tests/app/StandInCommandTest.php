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
        self::assertSame(['at', 'unit', 'channel', 'value', 'in', 'simulated'], array_keys($last));
        self::assertSame('2026-03-02T07:00:12.000+00:00', $last['at']);
        self::assertSame('2026-03-02 07:00:03', $clock->now()->format('Y-m-d H:i:s'), 'four times as fast');
    }

    /** Another process reads it as it would a serial port, or over a port of this machine. */
    #[TestWith(['terminal', 'cat'])]
    #[TestWith(['19473', 'bash -c "cat < /dev/tcp/127.0.0.1/19473" cat'])]
    public function testAnotherProcessReadsIt(string $to, string $reads): void
    {
        $console = escapeshellarg(\dirname(__DIR__, 2).'/bin/console');
        $serving = popen("exec $console footnote:stand-in acoustic-check --seconds 3 --to $to", 'r');
        self::assertIsResource($serving);
        $where = trim((string) fgets($serving));
        self::assertNotSame('', $where);
        $read = (string) shell_exec('timeout 8 '.($to === 'terminal' ? $reads.' '.escapeshellarg($where) : $reads).' | head -n 2');
        pclose($serving);
        $lines = explode("\n", trim($read));
        self::assertCount(2, $lines, $read);
        foreach ($lines as $line) {
            self::assertMatchesRegularExpression('/^{.*"unit":"DM-90".*"simulated":true}$/', $line);
        }
    }

    /** @param array<string, string> $asked */
    #[TestWith([['kind' => 'nothing'], 'acoustic-check'])]
    #[TestWith([['kind' => 'gas-check', '--fault' => 'haunted'], 'it has poisoned, dead'])]
    #[TestWith([['kind' => 'gas-check', '--seed' => '1e999'], '--seed is a whole number'])]
    #[TestWith([['kind' => 'gas-check', '--to' => '/dev/sda'], '--to is "terminal"'])]
    #[TestWith([['kind' => 'gas-check', '--to' => '80'], '--to is "terminal"'])]
    #[TestWith([['kind' => 'gas-check', '--speed' => '-1'], '--speed is a whole number'])]
    public function testWhatItCannotDoItSays(array $asked, string $says): void
    {
        $tester = new CommandTester(new StandInCommand(Families::formats(), new MockClock(self::FROM)));
        self::assertSame(Command::INVALID, $tester->execute($asked));
        self::assertStringContainsString($says, $tester->getDisplay());
    }
}
