<?php

declare(strict_types=1);

namespace Footnote\App\Refusal;

/** What was asked and cannot be done: what was wrong, which field, what was kept, and the kind of refusal as a status of HTTP. */
final class Problem extends \RuntimeException
{
    /** @param list<array{field: string, problem: string}> $fields */
    public function __construct(public readonly int $status, string $detail, public readonly array $fields = [])
    {
        parent::__construct($detail);
    }

    public static function field(string $field, string $problem): self
    {
        return new self(
            422,
            'Nothing was saved. '.ucfirst(self::lastName($field)).': '.$problem,
            [['field' => $field, 'problem' => $problem]],
        );
    }

    public static function missing(string $what): self
    {
        return new self(404, $what.' is not in this logbook.');
    }

    private static function lastName(string $path): string
    {
        $name = basename($path);

        // A number alone says nothing: "line 62".
        return trim(
            strtolower((string) preg_replace('/(?<!^)[A-Z]/', ' $0', ctype_digit($name) ? basename(\dirname($path)).' '.$name : $name)),
        );
    }
}
