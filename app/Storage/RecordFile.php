<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\PlainText;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;

/** A record file on disk, with the logs that lie beside it. */
final readonly class RecordFile
{
    private const LARGEST = 33554432;
    private const LARGEST_LOG = 67108864;

    private function __construct(public string $path, public string $sha256, public mixed $data)
    {
    }

    /**
     * Reads and holds it against the JSON Schema.
     *
     * @throws InvalidRecord naming the place
     */
    public static function open(string $path, string $projectDir): self
    {
        if (!is_file($path) || !is_readable($path)) {
            throw new InvalidRecord('', \sprintf('the file %s cannot be read.', $path));
        }
        if (filesize($path) > self::LARGEST) {
            throw new InvalidRecord('', 'a record is at most 32 MB; put logs into files beside it.');
        }
        $text = (string) file_get_contents($path);
        try {
            $data = json_decode($text, false, 64, \JSON_THROW_ON_ERROR);
            $plain = json_decode($text, true, 64, \JSON_THROW_ON_ERROR);
        } catch (\JsonException $problem) {
            throw new InvalidRecord('', 'is not JSON: '.$problem->getMessage());
        }
        if (\is_array($plain)) {
            PlainText::only($plain);
        }
        $validator = new Validator();
        $validator->setMaxErrors(1);
        $result = $validator->validate($data, (string) file_get_contents($projectDir.'/contract/record.schema.json'));
        $error = $result->error();
        if ($error !== null) {
            $flat = (new ErrorFormatter())->formatKeyed($error);
            $place = array_key_last($flat);
            $said = \is_array($flat[$place] ?? null) ? $flat[$place][0] ?? '' : '';
            throw new InvalidRecord((string) $place, \is_string($said) ? $said : 'does not fit the schema.');
        }

        return new self($path, hash('sha256', $text), $plain);
    }

    /** The path of a log that the record names; it lies beside or below the record. */
    public function log(string $name): string
    {
        return $this->beside($name, '/runs', 'the log');
    }

    /**
     * The path of a file that the record names.
     *
     * @param string $list of the record that names it
     * @param string $what such as "the log"
     *
     * @throws InvalidRecord where it is not there, or larger than any is
     */
    public function beside(string $name, string $list, string $what): string
    {
        $folder = realpath(\dirname($this->path));
        $path = realpath(\dirname($this->path).'/'.$name);
        if ($folder === false || $path === false || !str_starts_with($path, $folder.'/') || !is_file($path)) {
            throw new InvalidRecord($list, \sprintf('%s %s does not lie beside the record.', $what, $name));
        }
        if (filesize($path) > self::LARGEST_LOG) {
            throw new InvalidRecord($list, \sprintf('%s %s is larger than 64 MB.', $what, $name));
        }

        return $path;
    }

    public function logFile(string $name): LogFile
    {
        return self::logAt($this->log($name), $name);
    }

    /** @param string $name what it is called, where that is not the name on disk */
    public static function logAt(string $path, string $name): LogFile
    {
        return new LogFile($name, (string) hash_file('sha256', $path), static fn (): \Generator => self::linesOf($path));
    }

    /** @return \Generator<int, string> */
    public static function linesOf(string $path): \Generator
    {
        $file = fopen($path, 'r');
        if ($file === false) {
            throw new InvalidRecord('/runs', \sprintf('the log %s cannot be opened.', basename($path)));
        }
        try {
            $first = true;
            while (($line = fgets($file, 65536)) !== false) {
                if ($first) {
                    $line = str_starts_with($line, "\xEF\xBB\xBF") ? substr($line, 3) : $line;
                    $first = false;
                }
                yield $line;
            }
        } finally {
            fclose($file);
        }
    }
}
