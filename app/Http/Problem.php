<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Symfony\Component\HttpFoundation\JsonResponse;

/** Errors as application/problem+json: what was wrong, which field, what was kept. */
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

    /** @param list<array{field: string, problem: string}> $fields */
    public static function response(int $status, string $detail, array $fields = []): JsonResponse
    {
        return new JsonResponse(
            [
                'type' => 'about:blank',
                'title' => self::TITLES[$status] ?? 'Error',
                'status' => $status,
                'detail' => $detail,
                'fields' => $fields,
            ],
            $status,
            ['Content-Type' => 'application/problem+json'],
        );
    }

    private const TITLES = [
        400 => 'Malformed',
        401 => 'Not signed in',
        403 => 'Not allowed',
        404 => 'Not found',
        405 => 'Not allowed here',
        409 => 'Somebody was faster',
        413 => 'Too large',
        415 => 'Wrong kind of content',
        422 => 'Not accepted',
        429 => 'Too many tries',
        500 => 'Internal error',
    ];

    private static function lastName(string $path): string
    {
        $name = basename($path);

        // A number alone says nothing: "line 62".
        return trim(
            strtolower((string) preg_replace('/(?<!^)[A-Z]/', ' $0', ctype_digit($name) ? basename(\dirname($path)).' '.$name : $name)),
        );
    }
}
