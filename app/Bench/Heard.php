<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Source\Feed;
use Footnote\Core\Source\Stretch;
use Footnote\Core\Source\Watched;

/** A stretch of a source as it is heard at a step. */
final readonly class Heard
{
    /** @var list<Feed> where its readings go; none: the step takes none */
    public array $feeds;

    /** @param string $bytes as it came */
    public function __construct(
        public AskedSource $asked,
        public StepAtHand $at,
        public string $bytes,
        public Stretch $stretch,
        public HeardBy $by,
    ) {
        $this->feeds = $at->feeds();
    }

    /** @return list<array{Feed, Watched}> */
    public function watched(): array
    {
        $now = $this->asked->isLive() ? $this->by->now : null;

        return array_map(fn (Feed $feed): array => [$feed, Watched::of($feed, $this->stretch, $now)], $this->feeds);
    }

    public function isSimulated(): bool
    {
        return $this->by->seat !== null || $this->stretch->isSimulated();
    }
}
