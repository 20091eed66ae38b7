<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Verdict;

/** Which results of a run a decision covers: every one that is not open. The others wait, and a later decision adds them. */
final class Coverage
{
    /**
     * @param array<string, mixed> $body the written assessment
     *
     * @return array{list<array<string, string>>, list<array<string, string>>} covered, waiting
     */
    public static function of(array $body): array
    {
        $covers = [];
        $waiting = [];
        foreach (Saying::of($body)['results'] as $key => $said) {
            $one = [
                'key' => substr($key, 1),
                'title' => self::title($body, substr($key, 1)),
                'verdict' => Cells::text($said, 'verdict'),
                'shown' => Cells::text($said, 'shown'),
                'unit' => Cells::text($said, 'unit'),
            ];
            if ($one['verdict'] === Verdict::Open->value) {
                $waiting[] = $one;
            } else {
                $covers[] = $one;
            }
        }

        return [$covers, $waiting];
    }

    /**
     * The proposal for what is covered: the run's own, or, where that is open for results that wait, the worst of the others.
     *
     * @param array<string, mixed> $body
     */
    public static function proposed(array $body): Verdict
    {
        $own = Verdict::from(Cells::text($body, 'verdict'));
        [$covers] = self::of($body);
        if ($own !== Verdict::Open || $covers === []) {
            return $own;
        }

        return Verdict::standing(...array_map(static fn (array $one): Verdict => Verdict::from($one['verdict']), $covers)) ?? $own;
    }

    /** @param array<string, mixed> $body */
    private static function title(array $body, string $key): string
    {
        foreach (Cells::rows($body, 'results') as $result) {
            if (($result['key'] ?? '') === $key) {
                $channel = Cells::text($result, 'channel');

                return Cells::text($result, 'title').($channel === '' ? '' : ', '.$channel);
            }
        }

        return $key;
    }
}
