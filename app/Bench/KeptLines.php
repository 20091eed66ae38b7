<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\KeptFiles;
use Footnote\App\Storage\Cells;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Source\Stretch;

/** What is told of a stretch of lines that is kept with a check: enough to read it again as it was read. */
final class KeptLines
{
    /** @return array<string, mixed> */
    public static function told(Heard $heard, \DateTimeImmutable $until): array
    {
        $arrived = $heard->asked->arrived;
        $first = $arrived[0] ?? null;
        $moment = static fn (\DateTimeImmutable $at): string => $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.vP');

        return [
            'step' => $heard->at->step->id,
            'by' => $heard->asked->kind,
            'zone' => $heard->by->now->getTimezone()->getName(),
            'until' => $moment($until),
            ...($heard->by->profile === null ? [] : ['profile' => $heard->by->profile]),
            ...($heard->by->seat === null ? [] : ['standIn' => $heard->by->seat->told()]),
            ...($first === null ? [] : [
                'first' => $moment($first),
                'after' => array_map(
                    static fn (\DateTimeImmutable $at): int => (int) round(1000 * Span::secondsBetween($first, $at)),
                    $arrived,
                ),
            ]),
        ];
    }

    /**
     * Whether a file holds lines of a step up to a moment or beyond.
     *
     * @param array<string, mixed> $file
     */
    public static function reach(array $file, string $step, \DateTimeImmutable $moment): bool
    {
        $told = self::of($file);

        return Cells::text($told, 'step') === $step && new \DateTimeImmutable(Cells::text($told, 'until')) >= $moment;
    }

    /**
     * When readings were taken, by step.
     *
     * @param list<array<string, mixed>> $files of a half-done check
     *
     * @return array<string, list<\DateTimeImmutable>>
     */
    public static function taken(array $files): array
    {
        $taken = [];
        foreach ($files as $file) {
            $told = self::of($file);
            if ($told !== []) {
                $taken[Cells::text($told, 'step')][] = new \DateTimeImmutable(Cells::text($told, 'until'));
            }
        }

        return $taken;
    }

    /**
     * The stretch as it was read; null where the file is none.
     *
     * @param array<string, mixed> $file
     */
    public static function read(array $file, string $bytes): ?Stretch
    {
        $told = self::of($file);
        if ($told === []) {
            return null;
        }
        // Without moments of their own it is not asked.
        $first = new \DateTimeImmutable(Cells::text($told, 'first'));
        $arrived = [];
        foreach (\is_array($told['after'] ?? null) ? $told['after'] : [] as $milliseconds) {
            $arrived[] = Span::shift($first, (\is_int($milliseconds) ? $milliseconds : 0) / 1000);
        }
        /** @var array<string, mixed>|null $profile */
        $profile = $told['profile'] ?? null;

        return Stretch::read($bytes, HearSource::profile($profile), $arrived, new \DateTimeZone(Cells::text($told, 'zone')));
    }

    /**
     * @param array<string, mixed> $file
     *
     * @return array<string, mixed> empty where it holds no lines
     */
    private static function of(array $file): array
    {
        /** @var array<string, mixed> $told */
        $told = \is_array($file[KeptFiles::LINES_TOLD] ?? null) ? $file[KeptFiles::LINES_TOLD] : [];

        return $told;
    }
}
