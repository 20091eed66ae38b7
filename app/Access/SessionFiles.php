<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;

/**
 * Sessions as files that are whole or as they were before: a server that is killed in the middle of writing signs nobody out.
 * Requests of one person do not wait for each other. The name of a file does not tell its session.
 */
final class SessionFiles extends AbstractSessionHandler
{
    public function __construct(#[Autowire('%env(resolve:FOOTNOTE_DATA)%/sessions')] private readonly string $folder)
    {
    }

    public function close(): bool
    {
        return true;
    }

    public function gc(int $max_lifetime): int
    {
        $gone = 0;
        $files = glob($this->folder.'/*_*');
        foreach ($files === false ? [] : $files as $file) {
            if (@filemtime($file) < time() - $max_lifetime) {
                $gone += @unlink($file) ? 1 : 0;
            }
        }

        return $gone;
    }

    public function updateTimestamp(#[\SensitiveParameter] string $id, string $data): bool
    {
        return @touch($this->path($id));
    }

    protected function doRead(#[\SensitiveParameter] string $sessionId): string
    {
        $path = $this->path($sessionId);

        return is_file($path) ? (string) @file_get_contents($path) : '';
    }

    protected function doWrite(#[\SensitiveParameter] string $sessionId, string $data): bool
    {
        if (!is_dir($this->folder)) {
            @mkdir($this->folder, 0700, true);
        }
        $part = $this->folder.'/part_'.bin2hex(random_bytes(8));
        $written = @file_put_contents($part, $data) === \strlen($data) && @chmod($part, 0600) && @rename($part, $this->path($sessionId));
        if (!$written) {
            @unlink($part);
        }

        return $written;
    }

    protected function doDestroy(#[\SensitiveParameter] string $sessionId): bool
    {
        $path = $this->path($sessionId);

        return !is_file($path) || @unlink($path);
    }

    private function path(#[\SensitiveParameter] string $id): string
    {
        return $this->folder.'/sess_'.hash('sha256', $id);
    }
}
