<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;

/** What the last twenty seconds of one channel say: whether its reading may be taken, and what is waited for where not (G-9). */
final readonly class Watched
{
    /** So long after its last line a source says nothing any more, s (own). */
    private const SILENT = 5;

    /**
     * @param bool|null   $steady null: it is not known yet, or not asked
     * @param string      $words  what it does, or what is waited for
     * @param Sample|null $last   what may be taken
     */
    private function __construct(public ?bool $steady, public string $words, public ?Sample $last)
    {
    }

    /**
     * @param \DateTimeImmutable|null $now of a source that goes on; null: its lines are all there
     */
    public static function of(Feed $feed, Stretch $stretch, ?\DateTimeImmutable $now): self
    {
        $samples = $stretch->of($feed->channel);
        if ($samples === []) {
            $printed = $stretch->channels();

            return new self(null, $printed === []
                ? 'no reading has come yet'
                : \sprintf('no line names "%s"; the lines name %s', $feed->channel, implode(', ', $printed)), null);
        }
        $last = $samples[\count($samples) - 1];
        if (!$feed->readsIn($last->in)) {
            return new self(null, \sprintf('is printed in "%s"; it is read in %s', $last->in, implode(' or ', $feed->in)), null);
        }
        $silent = $now === null ? 0.0 : Span::secondsBetween($last->at, $now);
        if ($silent > self::SILENT && $feed->steady !== null) {
            return new self(null, \sprintf('nothing has come for %d s', (int) $silent), null);
        }
        if ($feed->steady === null) {
            return new self(null, 'as it comes', $last);
        }

        return self::judged($feed->steady, $samples, $last);
    }

    /** @param non-empty-list<Sample> $samples of the channel, in the order of time */
    private static function judged(Steadiness $steadiness, array $samples, Sample $last): self
    {
        $age = static fn (Sample $one): float => Span::secondsBetween($one->at, $last->at);
        $seen = $age($samples[0]);
        if ($seen < Steadiness::SECONDS) {
            $words = \sprintf('is watched for %d s more', (int) ceil(Steadiness::SECONDS - $seen));

            return new self(null, $words, $last);
        }
        $end = array_values(array_filter($samples, static fn (Sample $one): bool => $age($one) <= Steadiness::SECONDS));
        if (\count($end) < 3 || $age($end[0]) <= 0) {
            return new self(null, 'has come less than three times within 20 s', $last);
        }
        $readings = array_map(
            static fn (Sample $one): array => [Exact::of(number_format(-$age($one), 3, '.', '')), $one->value],
            $end,
        );
        $rest = $steadiness->judge($readings);
        $allowed = $steadiness->allowed(array_column($readings, 1));
        $within = \sprintf('%s %s', Digits::trimmed($allowed, 3), $last->in);
        $words = match (true) {
            $rest->steady => \sprintf('stands still: within %s over 20 s', $within),
            $rest->range->compareTo($allowed) > 0 => \sprintf(
                'still moves: by %s %s in 20 s, %s is a standstill',
                Digits::trimmed($rest->range, 3),
                $last->in,
                $within,
            ),
            default => \sprintf('creeps on: by %.3g %s in 20 s, %s is a standstill', $rest->drift, $last->in, $within),
        };

        return new self($rest->steady, $words, $last);
    }
}
