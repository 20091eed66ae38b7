<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

use PHPUnit\Framework\Assert;

/** The console on a logbook of its own, in processes of their own. */
final readonly class Beside
{
    public const PASSWORD = 'sallow-mill-2026';

    /** @param string $address of the logbook */
    public function __construct(private string $folder, private string $address, private string $key = 'of-the-tests')
    {
    }

    /** @return array<string, string> */
    public function environment(?string $address = null): array
    {
        return [
            'PATH' => (string) getenv('PATH'),
            'APP_ENV' => 'prod',
            'FOOTNOTE_DATA' => $this->folder,
            'FOOTNOTE_DATABASE_URL' => $address ?? $this->address,
            'FOOTNOTE_SECRET' => 'only-for-tests',
            'FOOTNOTE_JOURNAL_KEY' => $this->key,
            'FOOTNOTE_PASSWORD' => self::PASSWORD,
        ];
    }

    /**
     * @param string|null $address of another logbook
     *
     * @return array{int, string} how it ended, and what was said
     */
    public function console(string $command, ?string $address = null): array
    {
        $set = '';
        foreach ($this->environment($address) as $name => $value) {
            $set .= $name.'='.escapeshellarg($value).' ';
        }
        exec('cd '.escapeshellarg(\dirname(__DIR__, 2)).' && '.$set.'bin/console --no-interaction '.$command.' 2>&1', $out, $status);

        return [$status, implode("\n", $out)];
    }

    public function well(string $command, ?string $address = null): string
    {
        [$status, $said] = $this->console($command, $address);
        Assert::assertSame(0, $status, $command."\n".$said);

        return $said;
    }

    public function badly(string $command, ?string $address = null): string
    {
        [$status, $said] = $this->console($command, $address);
        Assert::assertSame(1, $status, $command."\n".$said);

        return $said;
    }

    /**
     * Begins a command and kills it, as a machine does that loses its power.
     *
     * @param list<string> $command
     *
     * @return bool whether it was killed before it was done
     */
    public function killed(array $command, int $afterMicroseconds, ?string $address = null): bool
    {
        $process = proc_open(
            ['php', 'tools/console.php', '--no-interaction', ...$command],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
            \dirname(__DIR__, 2),
            $this->environment($address),
        );
        Assert::assertIsResource($process);
        usleep($afterMicroseconds);
        $isRunning = proc_get_status($process)['running'];
        proc_terminate($process, 9);
        proc_close($process);

        return $isRunning;
    }
}
