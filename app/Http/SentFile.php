<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\PlainText;
use Symfony\Component\HttpFoundation\Request;

/** A file that is the body of a request, laid down until it is read; what is told of it stands in headers. */
final readonly class SentFile
{
    public const LOG = ['A log', 64];
    public const REPORT = ['A report', 32];

    /** Bytes: with its folder and number it is a name on every disk. */
    private const LONGEST_NAME = 120;

    private function __construct(public string $path)
    {
    }

    /**
     * @param array{string, int} $most what it is, and how large it may be, MB
     *
     * @throws Problem where it is empty or too large
     */
    public static function of(Request $request, array $most): self
    {
        [$what, $megabytes] = $most;
        $large = new Problem(413, \sprintf('%s is at most %d MB. Nothing was kept.', $what, $megabytes));
        if ((int) $request->headers->get('Content-Length', '0') > $megabytes * 1048576) {
            throw $large;
        }
        $path = tempnam(sys_get_temp_dir(), 'footnote-file-');
        if ($path === false) {
            throw new \RuntimeException('No temporary file could be made.');
        }
        register_shutdown_function(static fn (): bool => !is_file($path) || unlink($path));
        $size = @file_put_contents($path, $request->getContent(true));
        if ($size === false) {
            throw new Problem(507, 'There is no room left for the file. Nothing was kept.');
        }
        if ($size === 0 || $size > $megabytes * 1048576) {
            unlink($path);
            throw $size > 0 ? $large : new Problem(422, 'The file is empty. Nothing was kept.');
        }

        return new self($path);
    }

    /** What is told in a header as JSON; null where it is none. */
    public static function header(Request $request, string $name): ?Fields
    {
        $told = json_decode(rawurldecode($request->headers->get($name, '')), true, 16);
        if (json_last_error() !== \JSON_ERROR_NONE) {
            return null;
        }
        $fields = \is_array($told) ? $told : [];
        PlainText::only($fields);

        return Fields::of($fields);
    }

    /** Its name as it may be kept. */
    public static function name(string $told): string
    {
        return mb_strcut(trim((string) preg_replace('/[^\w .()+-]/u', '_', $told)), 0, self::LONGEST_NAME);
    }

    /** What a person says beside a file. */
    public static function reason(Request $request): string
    {
        return Fields::of(['reason' => rawurldecode($request->headers->get('X-Reason', ''))])->optionalText('reason', 2000) ?? '';
    }

    public function forget(): void
    {
        if (is_file($this->path)) {
            unlink($this->path);
        }
    }
}
