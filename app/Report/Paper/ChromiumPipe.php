<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

use Footnote\App\Storage\ScratchFolder;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/**
 * Chromium as a process of its own that is spoken to through two pipes, which nobody else can reach: no port is opened. A message is JSON
 * (the DevTools protocol) and ends with a zero byte.
 */
#[Exclude]
final class ChromiumPipe
{
    /** Descriptors that Chromium reads from and writes to. */
    private const IN = 3;
    private const OUT = 4;
    private const NOT_FOUND = 127;
    private const KILL = 9;
    /** How often it is looked whether it has ended, every 20 ms. */
    private const LOOKS = 100;
    /** How long one look for a message lasts, s. */
    private const LOOK = 1;

    /** @var resource */
    private $process;

    /** @var array<int, resource> */
    private array $pipes = [];
    /** Its profile, which is new each time, and what it complains of. */
    private readonly ScratchFolder $folder;
    private string $heard = '';
    private int $asked = 0;

    /**
     * @param list<string> $arguments
     *
     * @throws PrintFailed
     */
    public function __construct(array $arguments)
    {
        $this->folder = new ScratchFolder('chromium');
        $home = $this->folder->path;
        $process = proc_open(
            ['chromium', ...$arguments, '--user-data-dir='.$home.'/profile', '--remote-debugging-pipe'],
            [
                ['file', '/dev/null', 'r'],
                ['file', '/dev/null', 'w'],
                ['file', $this->complaints(), 'w'],
                self::IN => ['pipe', 'r'],
                self::OUT => ['pipe', 'w'],
            ],
            $this->pipes,
            $home,
            ['HOME' => $home, 'TMPDIR' => $home, 'PATH' => (string) getenv('PATH')],
        );
        if ($process === false) {
            throw new PrintFailed('Chromium did not start.');
        }
        $this->process = $process;
        stream_set_blocking($this->pipes[self::OUT], false);
    }

    public function __destruct()
    {
        array_map(fclose(...), $this->pipes);
        // It ends by itself when nobody listens any more.
        $this->ended();
        proc_terminate($this->process, self::KILL);
        proc_close($this->process);
    }

    /**
     * @param array<string, mixed> $with
     * @param string|null          $session of a page; null for the browser
     *
     * @return int the number that its answer will bear
     *
     * @throws PrintFailed
     */
    public function ask(string $method, array $with = [], ?string $session = null): int
    {
        $message = ['id' => ++$this->asked, 'method' => $method, 'params' => (object) $with];
        $text = json_encode($session === null ? $message : [...$message, 'sessionId' => $session], \JSON_THROW_ON_ERROR)."\0";
        if (@fwrite($this->pipes[self::IN], $text) !== \strlen($text)) {
            throw $this->gone();
        }

        return $this->asked;
    }

    /**
     * @return array<mixed>|null the next message; null where none came within the second
     *
     * @throws PrintFailed
     */
    public function hear(): ?array
    {
        do {
            $end = strpos($this->heard, "\0");
            if ($end === false && !$this->read()) {
                return null;
            }
        } while ($end === false);
        $message = json_decode(substr($this->heard, 0, $end), true, 64, \JSON_THROW_ON_ERROR);
        $this->heard = substr($this->heard, $end + 1);

        return \is_array($message) ? $message : throw new PrintFailed('Chromium said what nobody understands.');
    }

    /**
     * @return bool whether something came within the second
     *
     * @throws PrintFailed
     */
    private function read(): bool
    {
        $read = [$this->pipes[self::OUT]];
        $write = $except = null;
        if (stream_select($read, $write, $except, self::LOOK) === 0) {
            return false;
        }
        $chunk = stream_get_contents($this->pipes[self::OUT]);
        if (($chunk === '' || $chunk === false) && feof($this->pipes[self::OUT])) {
            throw $this->gone();
        }
        $this->heard .= $chunk;

        return true;
    }

    private function gone(): PrintFailed
    {
        // That no desktop runs beside it says nothing.
        $said = array_filter(
            explode("\n", trim((string) file_get_contents($this->complaints()))),
            static fn (string $line): bool => !str_contains($line, 'dbus'),
        );

        return new PrintFailed($this->ended() === self::NOT_FOUND
            ? 'Chromium is not installed on this machine (apt-get install chromium).'
            : rtrim('Chromium ended before it had printed. '.substr(implode(' ', $said), -600)));
    }

    /** Waits for its end, for a moment. */
    private function ended(): ?int
    {
        for ($look = 0; $look < self::LOOKS; ++$look) {
            $status = proc_get_status($this->process);
            if (!$status['running']) {
                return $status['exitcode'];
            }
            usleep(20_000);
        }

        return null;
    }

    private function complaints(): string
    {
        return $this->folder->path.'/complaints';
    }
}
