<?php

declare(strict_types=1);

namespace Footnote\App\Console\Outlet;

/** A port of this machine alone: the first who connects reads, and when they leave it is over. */
final class LocalPort implements Outlet
{
    /** How long a reader is waited for, s. */
    private const PATIENCE = 600.0;

    /** @var resource */
    private readonly mixed $server;
    /** @var resource|null */
    private mixed $reader = null;

    public function __construct(private readonly int $port)
    {
        $server = @stream_socket_server('tcp://127.0.0.1:'.$port, $_, $why);
        if ($server === false) {
            throw new \RuntimeException(\sprintf('Port %d cannot be opened: %s.', $port, $why));
        }
        $this->server = $server;
    }

    public function opened(): string
    {
        return '127.0.0.1:'.$this->port;
    }

    public function write(string $line): bool
    {
        if ($this->reader === null) {
            $reader = @stream_socket_accept($this->server, self::PATIENCE);
            $this->reader = $reader === false ? null : $reader;
        }

        return $this->reader !== null && @fwrite($this->reader, $line."\n") !== false;
    }
}
