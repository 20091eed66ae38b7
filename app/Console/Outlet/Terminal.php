<?php

declare(strict_types=1);

namespace Footnote\App\Console\Outlet;

/** A pseudo-terminal: another process opens it as it would the device of a serial port. */
final class Terminal implements Outlet
{
    /** @var resource */
    private readonly mixed $process;
    /** @var resource */
    private readonly mixed $line;
    private readonly string $path;

    public function __construct()
    {
        // Raw and without an echo: what is written is what is read. The other end is held open as long as lines come.
        $ends = [['pty'], ['pty'], ['pty'], ['pipe', 'w']];
        $pipes = [];
        $process = @proc_open(['sh', '-c', 'stty raw -echo; tty >&3; exec sleep 86400'], $ends, $pipes);
        $path = \is_resource($process) && \is_resource($pipes[3] ?? null) ? trim((string) fgets($pipes[3])) : '';
        if (!\is_resource($process) || !\is_resource($pipes[0] ?? null) || $path === '') {
            throw new \RuntimeException('This machine gives no pseudo-terminal.');
        }
        $this->process = $process;
        $this->line = $pipes[0];
        $this->path = $path;
    }

    public function opened(): string
    {
        return $this->path;
    }

    public function write(string $line): bool
    {
        return @fwrite($this->line, $line."\n") !== false;
    }

    public function __destruct()
    {
        proc_terminate($this->process);
    }
}
