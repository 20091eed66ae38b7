<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Symfony\Component\HttpFoundation\JsonResponse;

/** Refusals as application/problem+json. */
final class ProblemResponse
{
    /** @param list<array{field: string, problem: string}> $fields */
    public static function of(int $status, string $detail, array $fields = []): JsonResponse
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
        503 => 'Busy',
        507 => 'No room to write',
    ];
}
