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
        return self::answer($status, ['type' => 'about:blank', 'detail' => $detail, 'fields' => $fields]);
    }

    /**
     * That it was kept already: an answer was lost, and the request came again.
     *
     * @param array{at: string, made: string|null} $done
     */
    public static function kept(array $done): JsonResponse
    {
        $detail = \sprintf('This was kept already, at %s UTC, and not a second time. Look at it again.', substr($done['at'], 11, 8));

        return self::answer(409, ['type' => self::KEPT, 'detail' => $detail, 'fields' => [], 'made' => $done['made']]);
    }

    /** @param array{type: string, detail: string, fields: list<array{field: string, problem: string}>, made?: string|null} $told */
    private static function answer(int $status, array $told): JsonResponse
    {
        return new JsonResponse(
            ['title' => self::TITLES[$status] ?? 'Error', 'status' => $status, ...$told],
            $status,
            ['Content-Type' => 'application/problem+json'],
        );
    }

    /** By which a program knows that nothing is left to do. */
    private const KEPT = 'urn:footnote:kept-already';

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
