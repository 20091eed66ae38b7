<?php

declare(strict_types=1);

namespace Footnote\App\Package;

use Footnote\App\Logbook\CampaignRecord;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\RecordFile;
use Footnote\App\Storage\ScratchFolder;
use Footnote\Core\Record\InvalidRecord;

/** A package that came, unpacked into a folder of its own and held against its manifest; the folder goes with it. */
final class Unpacked
{
    private const MOST_FILES = 200000;
    private const MOST_BYTES = 8 << 30;
    private const AT_ONCE = 1 << 20;

    /** @param array<string, mixed> $manifest */
    private function __construct(private readonly ScratchFolder $folder, public readonly array $manifest)
    {
    }

    /** @throws InvalidRecord where it is no package, or a file of it is not the one that was packed */
    public static function open(string $path): self
    {
        $zip = new \ZipArchive();
        if (!is_file($path) || $zip->open($path, \ZipArchive::RDONLY) !== true) {
            throw new InvalidRecord('', \sprintf('%s cannot be read as a package.', $path));
        }
        $manifest = json_decode((string) $zip->getFromName(PackedFiles::MANIFEST, 64 << 20), true, 16);
        if (!\is_array($manifest) || ($manifest['format'] ?? null) !== Packing::FORMAT) {
            throw new InvalidRecord('', \sprintf('%s holds no manifest of a package.', $path));
        }
        /** @var array<string, mixed> $manifest */
        $unpacked = new self(new ScratchFolder('unpacked'), $manifest);
        $unpacked->take($zip);

        return $unpacked;
    }

    public function record(string $projectDir): RecordFile
    {
        return RecordFile::open($this->folder->path.'/'.CampaignRecord::NAME, $projectDir);
    }

    /** @return \Generator<int, array<string, mixed>> what each run was assessed to be where it was packed */
    public function assessments(): \Generator
    {
        // One stands on each line; all of them at once need not fit in memory.
        foreach (new \SplFileObject($this->folder->path.'/'.AssessedFiles::FILE) as $place => $line) {
            $line = rtrim(\is_string($line) ? $line : '', ",\n");
            if ($place > 0 && $line !== '' && $line !== ']}') {
                $one = json_decode($line, true, 64);
                if (!\is_array($one)) {
                    throw new InvalidRecord('', \sprintf('%s, line %d, is not as it is packed.', AssessedFiles::FILE, $place + 1));
                }
                /** @var array<string, mixed> $one */
                yield $one;
            }
        }
    }

    private function take(\ZipArchive $zip): void
    {
        $files = Cells::rows($this->manifest, 'files');
        $left = self::MOST_BYTES;
        if (\count($files) > self::MOST_FILES) {
            throw new InvalidRecord('', \sprintf('a package holds at most %d files.', self::MOST_FILES));
        }
        foreach ($files as $file) {
            $name = Cells::text($file, 'path');
            if (preg_match('#^[A-Za-z0-9._-]+(/[A-Za-z0-9._-]+)*$#D', $name) !== 1 || str_contains($name, '..')) {
                throw new InvalidRecord('', \sprintf('"%s" is no name of a file of a package.', $name));
            }
            $bytes = \is_int($file['bytes'] ?? null) ? $file['bytes'] : 0;
            $left -= $bytes;
            if ($left < 0) {
                throw new InvalidRecord('', 'a package holds at most 8 GB.');
            }
            if ($this->copy($zip, $name, $bytes) !== Cells::text($file, 'sha256')) {
                throw new InvalidRecord('', \sprintf('%s is not the file that was packed: its digest is another.', $name));
            }
        }
    }

    /** @return string SHA-256 of what was copied, never more than it is said to be */
    private function copy(\ZipArchive $zip, string $name, int $bytes): string
    {
        $from = $zip->getStream($name);
        if ($from === false) {
            throw new InvalidRecord('', \sprintf('%s stands in the manifest and is not in the package.', $name));
        }
        $path = $this->folder->path.'/'.$name;
        if (!is_dir(\dirname($path))) {
            mkdir(\dirname($path), 0o700, true);
        }
        $to = new \SplFileObject($path, 'w');
        $hash = hash_init('sha256');
        for ($left = $bytes + 1; $left > 0 && !feof($from);) {
            $some = (string) fread($from, max(1, min($left, self::AT_ONCE)));
            $left -= \strlen($some);
            hash_update($hash, $some);
            $to->fwrite($some);
        }
        fclose($from);

        return hash_final($hash);
    }
}
