<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

/** A logbook that is one file. */
final readonly class SqliteFile
{
    public function __construct(public string $path)
    {
    }

    public function address(): string
    {
        return 'sqlite:///'.$this->path;
    }

    /** @throws BackupFailed where its pages or its references do not hold */
    public function check(): void
    {
        try {
            $file = $this->open();
            $said = self::first($file, 'PRAGMA integrity_check');
            $holds = self::first($file, "SELECT COUNT(*) FROM sqlite_master WHERE name IN ('journal_entry', 'journal_head', 'person')");
            $broken = self::first($file, 'SELECT COUNT(*) FROM pragma_foreign_key_check');
        } catch (\PDOException $problem) {
            throw new BackupFailed(\sprintf('%s is no logbook: %s.', $this->path, $problem->getMessage()), previous: $problem);
        }
        if ($said !== 'ok') {
            throw new BackupFailed(\sprintf('%s is damaged: %s.', $this->path, $said));
        }
        if ($holds !== '3') {
            throw new BackupFailed(\sprintf('%s is no logbook.', $this->path));
        }
        if ($broken !== '0') {
            throw new BackupFailed(\sprintf('%s rows of %s refer to nothing.', $broken, $this->path));
        }
    }

    public function holdsAnything(): bool
    {
        return is_file($this->path) && self::first($this->open(), 'SELECT COUNT(*) FROM sqlite_master') !== '0';
    }

    /** Gone, with what lies beside it. */
    public function remove(): void
    {
        foreach (['', '-wal', '-shm', '-journal'] as $part) {
            if (is_file($this->path.$part)) {
                unlink($this->path.$part);
            }
        }
    }

    /** On the disk and not in its cache, and only then under its name. */
    public function settleAs(string $path): self
    {
        $file = fopen($this->path, 'r+');
        if ($file === false || !fsync($file) || !fclose($file) || !chmod($this->path, 0600) || !rename($this->path, $path)) {
            throw new BackupFailed(\sprintf('%s could not be written.', $path));
        }

        return new self($path);
    }

    public function open(): \PDO
    {
        return new \PDO('sqlite:'.$this->path, options: [\PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION]);
    }

    private static function first(\PDO $file, string $sql): string
    {
        $found = $file->query($sql);
        $value = $found === false ? null : $found->fetchColumn();

        return \is_scalar($value) ? (string) $value : '';
    }
}
