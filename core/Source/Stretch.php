<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

/** A stretch of lines as they came, byte for byte, and what was read from them. */
final readonly class Stretch
{
    /**
     * @param list<Sample> $samples in the order in which they came
     * @param list<Unread> $unread
     */
    private function __construct(public array $samples, public array $unread)
    {
    }

    /**
     * @param list<\DateTimeImmutable> $arrived when each line came; empty: nobody saw them come
     * @param \DateTimeZone            $zone    of the site: that of times that say none
     */
    public static function read(string $bytes, LineProfile $profile, array $arrived, \DateTimeZone $zone): self
    {
        $samples = [];
        $unread = [];
        foreach (self::lines($bytes) as $place => $text) {
            try {
                array_push($samples, ...$profile->read($place + 1, $text, $arrived[$place] ?? null, $zone));
            } catch (UnreadableLine $problem) {
                $unread[] = new Unread($place + 1, $problem->getMessage());
            }
        }

        return new self($samples, $unread);
    }

    /** What of it came since a moment; the numbers of its lines stay. */
    public function since(\DateTimeImmutable $moment): self
    {
        $samples = array_filter($this->samples, static fn (Sample $one): bool => $one->at >= $moment);

        return new self(array_values($samples), $this->unread);
    }

    /** @return list<string> */
    public static function lines(string $bytes): array
    {
        $lines = preg_split('/\r\n|\n|\r/', $bytes);

        return $lines === false ? [] : $lines;
    }

    /** @return list<string> the channels that it names, each once */
    public function channels(): array
    {
        return array_values(array_unique(array_map(static fn (Sample $one): string => $one->channel, $this->samples)));
    }

    /** @return list<string> what its lines call their instruments, each once */
    public function units(): array
    {
        return array_values(array_unique(array_map(static fn (Sample $one): string => $one->unit, $this->samples)));
    }

    public function isSimulated(): bool
    {
        return array_filter($this->samples, static fn (Sample $one): bool => $one->simulated) !== [];
    }

    /** @return list<Sample> of one channel in the order of time */
    public function of(string $channel): array
    {
        $samples = array_values(array_filter($this->samples, static fn (Sample $one): bool => $one->channel === $channel));
        usort($samples, static fn (Sample $a, Sample $b): int => [$a->at, $a->line] <=> [$b->at, $b->line]);

        return $samples;
    }
}
