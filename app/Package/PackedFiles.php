<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Report\CsvSheet;
use Footnote\App\Storage\ScratchFolder;

/**
 * A ZIP that is laid down file by file, with the digest of each. Until it is closed its files lie in a folder of their own: there may be
 * more of them than fit in memory.
 */
final class PackedFiles
{
    public const MANIFEST = 'manifest.json';

    private readonly ScratchFolder $folder;

    /** @var list<string> names, in the order in which they came */
    private array $names = [];

    public function __construct()
    {
        $this->folder = new ScratchFolder('package');
    }

    public function add(string $name, string $content): void
    {
        $this->file($name)->fwrite($content);
    }

    /** A new file to write to. */
    public function file(string $name): \SplFileObject
    {
        if (\in_array($name, $this->names, true)) {
            throw new \LogicException('Two files of one name: '.$name);
        }
        $this->names[] = $name;

        return new \SplFileObject($this->path($name), 'w');
    }

    /** A new table to add lines to. */
    public function sheet(Sheet $sheet): CsvSheet
    {
        return new CsvSheet($this->file($sheet->file()), $sheet->columns(), false);
    }

    /** Where a file that was laid down lies until all is packed. */
    public function path(string $name): string
    {
        return $this->folder->path.'/'.array_search($name, $this->names, true);
    }

    /** @return array{bytes: int, sha256: string} what was laid down so far */
    public function laid(string $name): array
    {
        clearstatcache(true, $this->path($name));

        return ['bytes' => (int) filesize($this->path($name)), 'sha256' => (string) hash_file('sha256', $this->path($name))];
    }

    /**
     * Packs what was laid down, with a file that tells of the others.
     *
     * @param string               $path of a file that is not there yet
     * @param array<string, mixed> $told what stands in the manifest beside them
     */
    public function close(string $path, array $told): void
    {
        $zip = new \ZipArchive();
        if ($zip->open($path, \ZipArchive::CREATE | \ZipArchive::EXCL) !== true) {
            throw new \RuntimeException('The package could not be begun at '.$path);
        }
        $files = [];
        foreach ($this->names as $name) {
            $files[] = ['path' => $name, ...$this->laid($name)];
            $zip->addFile($this->path($name), $name);
        }
        $zip->addFromString(self::MANIFEST, json_encode(
            [...$told, 'files' => $files],
            \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        )."\n");
        if (!$zip->close()) {
            throw new \RuntimeException('The package could not be laid down: '.$zip->getStatusString());
        }
    }
}
