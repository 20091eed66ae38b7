<?php

declare(strict_types=1);

namespace Footnote\App\Report;

/** A ZIP that is laid down file by file, with the digest of each. What is large lies in a file of its own until it is packed. */
final class PackedFiles
{
    private readonly \PharData $zip;

    /** @var list<array{path: string, bytes: int, sha256: string}> */
    private array $files = [];

    /** @var list<string> laid down meanwhile */
    private array $meanwhile = [];

    /** @param string $path of a file that is not there yet */
    public function __construct(string $path)
    {
        $this->zip = new \PharData($path, 0, null, \Phar::ZIP);
        $this->zip->startBuffering();
    }

    public function add(string $name, string $content): void
    {
        $this->files[] = ['path' => $name, 'bytes' => \strlen($content), 'sha256' => hash('sha256', $content)];
        $this->zip->addFromString($name, $content);
    }

    /**
     * @param \Closure(\SplFileObject): void $write
     *
     * @return array{bytes: int, sha256: string} what was laid down
     */
    public function lay(string $name, \Closure $write): array
    {
        $path = tempnam(sys_get_temp_dir(), 'footnote-package-');
        if ($path === false) {
            throw new \RuntimeException('No temporary file could be made.');
        }
        $this->meanwhile[] = $path;
        $write(new \SplFileObject($path, 'w'));
        clearstatcache(true, $path);
        $laid = ['bytes' => (int) filesize($path), 'sha256' => (string) hash_file('sha256', $path)];
        $this->files[] = ['path' => $name, ...$laid];
        $this->zip->addFile($path, $name);

        return $laid;
    }

    /**
     * @param string                $manifest name of the file that tells of the others
     * @param array<string, mixed> $told     what stands in it beside them
     */
    public function close(string $manifest, array $told): void
    {
        $this->zip->addFromString($manifest, json_encode(
            [...$told, 'files' => $this->files],
            \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        )."\n");
        $this->zip->stopBuffering();
    }

    public function __destruct()
    {
        foreach ($this->meanwhile as $path) {
            unlink($path);
        }
    }
}
