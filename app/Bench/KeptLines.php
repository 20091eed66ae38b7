<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Quantity\Span;

/** What is told of a stretch of lines that is kept with a check: enough to read it again as it was read. */
final class KeptLines
{
    /** @return array<string, mixed> */
    public static function told(Heard $heard, \DateTimeImmutable $until): array
    {
        $arrived = $heard->asked->arrived;
        $first = $arrived[0] ?? null;

        return [
            'step' => $heard->step->id,
            'by' => $heard->asked->kind,
            'zone' => $heard->by->now->getTimezone()->getName(),
            'until' => $until->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.vP'),
            ...($heard->by->profile === null ? [] : ['profile' => $heard->by->profile]),
            ...($heard->by->seat === null ? [] : ['standIn' => $heard->by->seat->told()]),
            ...($first === null ? [] : [
                'first' => $first->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.vP'),
                'after' => array_map(
                    static fn (\DateTimeImmutable $at): int => (int) round(1000 * Span::secondsBetween($first, $at)),
                    $arrived,
                ),
            ]),
        ];
    }
}
