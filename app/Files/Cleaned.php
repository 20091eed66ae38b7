<?php

declare(strict_types=1);

namespace Footnote\App\Files;

use Footnote\App\Logbook\KeptFiles;

/** A file as it is kept: what it shows byte for byte, without what it told of where and by what it was made. */
final readonly class Cleaned
{
    public const JPEG = 'image/jpeg';
    public const PNG = 'image/png';
    public const PDF = KeptFiles::DOCUMENT;

    /** @param list<string> $removed what was taken out, in words; none: it is as it came */
    private function __construct(public string $type, public string $bytes, public array $removed)
    {
    }

    /**
     * A document stays as it is: what it tells of its maker cannot be taken out without writing it anew.
     *
     * @throws UnreadableFile in words that follow the file's name
     */
    public static function of(string $bytes): self
    {
        if (str_starts_with($bytes, "\xFF\xD8\xFF")) {
            return new self(self::JPEG, ...Jpeg::cleaned($bytes));
        }
        if (str_starts_with($bytes, Png::SIGNATURE)) {
            return new self(self::PNG, ...Png::cleaned($bytes));
        }
        if (str_starts_with($bytes, '%PDF-')) {
            return str_contains(substr($bytes, -2048), '%%EOF')
                ? new self(self::PDF, $bytes, [])
                : throw new UnreadableFile('is a document without its end.');
        }
        throw new UnreadableFile('is no JPEG or PNG picture and no PDF document.');
    }

    public function isPicture(): bool
    {
        return $this->type !== self::PDF;
    }
}
