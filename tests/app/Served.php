<?php

declare(strict_types=1);

namespace Footnote\Tests\App;

/** A logbook served by processes of their own, and asked over the wire: what a person gets, whatever happens to the machine. */
final class Served
{
    /** @var resource|null */
    private mixed $server = null;
    private int $port = 0;
    private string $cookie = '';

    /** @param array<string, string> $environment */
    public function __construct(private readonly string $folder, private readonly array $environment)
    {
    }

    public function address(): string
    {
        return 'http://127.0.0.1:'.$this->port;
    }

    /** @param array<string, string> $more of the environment */
    public function start(array $more = [], int $workers = 4): void
    {
        $this->port = random_int(20000, 40000);
        $server = proc_open(
            [
                'setsid', 'php', '-d', 'variables_order=EGPCS', '-d', 'post_max_size=70M', '-d', 'memory_limit=512M',
                '-S', '127.0.0.1:'.$this->port, '-t', 'public', 'tools/router.php',
            ],
            [['file', '/dev/null', 'r'], ['file', $this->folder.'/server.log', 'a'], ['file', $this->folder.'/server.log', 'a']],
            $pipes,
            \dirname(__DIR__, 2),
            [...$this->environment, ...$more, 'PHP_CLI_SERVER_WORKERS' => (string) $workers],
        );
        if (!\is_resource($server)) {
            throw new \RuntimeException('No server.');
        }
        $this->server = $server;
        for ($try = 0; $try < 200; ++$try) {
            $there = @fsockopen('127.0.0.1', $this->port);
            if ($there !== false) {
                fclose($there);

                return;
            }
            usleep(50000);
        }
        throw new \RuntimeException('The server does not answer.');
    }

    /** The group of processes that all of its workers are of. */
    public function group(): int
    {
        return $this->server === null ? 0 : proc_get_status($this->server)['pid'];
    }

    /** @param int $signal 9: as a machine does that loses its power */
    public function stop(int $signal = 15): void
    {
        if ($this->server !== null) {
            // All workers are of the group that it leads.
            posix_kill(-$this->group(), $signal);
            proc_close($this->server);
            $this->server = null;
        }
    }

    public function signIn(string $name, string $password): int
    {
        $this->cookie = '';

        return $this->ask('POST', '/api/session/begin', ['name' => $name, 'password' => $password])[0];
    }

    /**
     * @param array<mixed>|null     $body
     * @param array<string, string> $headers
     *
     * @return array{int, Answer, array<string, string>} status (0: no answer), what was said, headers by small name
     */
    public function ask(string $method, string $path, ?array $body = null, array $headers = []): array
    {
        $headers = ['Content-Type' => 'application/json', 'X-Requested-With' => 'footnote', 'Cookie' => $this->cookie, ...$headers];
        $lines = array_map(static fn (string $name, string $value): string => $name.': '.$value, array_keys($headers), $headers);
        $text = @file_get_contents($this->address().$path, false, stream_context_create(['http' => [
            'method' => $method,
            'header' => $lines,
            'content' => $body === null ? '' : json_encode((object) $body, \JSON_THROW_ON_ERROR),
            'ignore_errors' => true,
            'timeout' => 90,
        ]]));
        $told = [];
        $status = 0;
        foreach ($text === false ? [] : $http_response_header as $line) {
            if (preg_match('#^HTTP/\S+ (\d+)#', $line, $found) === 1) {
                $status = (int) $found[1];
            } elseif (str_contains($line, ':')) {
                [$name, $value] = explode(':', $line, 2);
                $told[strtolower($name)] = trim($value);
            }
        }
        if (preg_match('/^(footnote=[^;]+)/', $told['set-cookie'] ?? '', $found) === 1) {
            $this->cookie = $found[1];
        }

        return [$status, new Answer($text === false || $text === '' ? '{}' : $text), $told];
    }
}
