<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Report\Content\Shown;
use Footnote\App\Storage\Cells;

/** What a report says otherwise than an edition before, result by result, in words. */
final class Changes
{
    /**
     * @param array<string, mixed> $was the beginning of an edition
     * @param array<string, mixed> $is  the beginning of what it says now
     *
     * @return list<string> none where each result is as it was
     */
    public static function between(array $was, array $is): array
    {
        $before = self::runs($was);
        $now = self::runs($is);
        $changes = [];
        foreach ($before as $part => $facts) {
            $run = substr($part, 5);
            array_push($changes, ...(isset($now[$part]) ? self::of($run, $facts, $now[$part]) : [$run.' is no longer in it.']));
        }
        foreach (array_diff_key($now, $before) as $run => $facts) {
            $changes[] = substr($run, 5).' is new in it.';
        }

        return $changes;
    }

    /**
     * @param array<string, mixed> $was
     * @param array<string, mixed> $is
     *
     * @return list<string>
     */
    private static function of(string $run, array $was, array $is): array
    {
        $changes = [];
        if (Cells::text($was, 'section') !== Cells::text($is, 'section')) {
            $changes[] = \sprintf(
                '%s: was among those that are “%s”, now “%s”.',
                $run,
                Cells::text($was, 'section'),
                Cells::text($is, 'section'),
            );
        }
        $now = [];
        foreach (Cells::rows($is, 'results') as $result) {
            $now['='.Cells::text($result, 'key')] = $result;
        }
        foreach (Cells::rows($was, 'results') as $before) {
            $key = '='.Cells::text($before, 'key');
            $after = $now[$key] ?? null;
            unset($now[$key]);
            if ($after === null) {
                $changes[] = \sprintf('%s, %s: %s, now none.', $run, Cells::text($before, 'title'), self::said($before));
            } elseif (self::said($before) !== self::said($after)) {
                $changes[] = \sprintf('%s, %s: %s, now %s.', $run, Cells::text($before, 'title'), self::said($before), self::said($after));
            }
        }
        foreach ($now as $result) {
            $changes[] = \sprintf('%s, %s: new, %s.', $run, Cells::text($result, 'title'), self::said($result));
        }

        return $changes !== [] || Cells::text($was, 'said') === Cells::text($is, 'said')
            ? $changes
            : [$run.': numbers and verdicts as before; findings, limits or evidence under them have changed.'];
    }

    /** @param array<string, mixed> $result */
    private static function said(array $result): string
    {
        return \sprintf(
            '%s %s, %s%s',
            Shown::minus(Cells::text($result, 'shown')),
            Cells::text($result, 'unit'),
            Cells::text($result, 'verdict'),
            ($result['signed'] ?? false) === true ? '' : ' (not signed)',
        );
    }

    /**
     * @param array<string, mixed> $head
     *
     * @return array<string, array<string, mixed>> what is told of each run, by the part that it is
     */
    private static function runs(array $head): array
    {
        $runs = [];
        foreach (Cells::rows($head, 'parts') as $part) {
            if (isset($part['facts'])) {
                $runs['='.Cells::text($part, 'part')] = Cells::map($part, 'facts');
            }
        }

        return $runs;
    }
}
