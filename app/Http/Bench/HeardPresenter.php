<?php

declare(strict_types=1);

namespace Footnote\App\Http\Bench;

use Footnote\App\Bench\Heard;
use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Sample;
use Footnote\Core\Source\Unread;
use Footnote\Core\Source\Watched;

/** What a source says at a step: the trace of each channel that the step takes, what it is judged to do, and what cannot be read. */
final readonly class HeardPresenter
{
    /** So many lines that cannot be read are told; the rest is counted. */
    private const UNREAD = 5;

    /** @return array<string, mixed> */
    public function of(Heard $heard): array
    {
        $watched = $heard->watched();
        $fed = array_map(static fn (array $one): string => $one[0]->channel, $watched);

        return [
            'now' => self::moment($heard->by->now),
            'simulated' => $heard->isSimulated(),
            'every' => self::every($heard),
            'channels' => array_map(
                static fn (array $one): array => self::channel($one[0], $one[1], $heard->stretch->of($one[0]->channel)),
                $watched,
            ),
            'others' => array_values(array_diff($heard->stretch->channels(), $fed)),
            'unread' => [
                'count' => \count($heard->stretch->unread),
                'last' => array_map(
                    static fn (Unread $one): array => ['line' => $one->line, 'problem' => $one->problem],
                    \array_slice($heard->stretch->unread, -self::UNREAD),
                ),
            ],
            'refusals' => $heard->by->refusals,
        ];
    }

    /** Seconds from one replicate to the next; null: none follows by itself. */
    private static function every(Heard $heard): ?int
    {
        if ($heard->at->isEachSet()) {
            return null;
        }

        return array_filter($heard->feeds, static fn (Feed $feed): bool => $feed->steady === null) === [] ? Feed::EVERY : 0;
    }

    /**
     * @param list<Sample> $samples
     *
     * @return array<string, mixed>
     */
    private static function channel(Feed $feed, Watched $watched, array $samples): array
    {
        return [
            'channel' => $feed->channel,
            'in' => $watched->last->in ?? $feed->in[0],
            'value' => $watched->last?->value->written,
            'steady' => $watched->steady,
            'isJudged' => $feed->steady !== null,
            'words' => $watched->words,
            'points' => array_map(
                static fn (Sample $one): array => ['at' => self::moment($one->at), 'value' => $one->value->written],
                $samples,
            ),
        ];
    }

    private static function moment(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.v\Z');
    }
}
