<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** An interval that a site has set for one instrument or one reference, in place of that of the policy. */
final readonly class OwnInterval
{
    /**
     * @param string             $routine identifier of what is done
     * @param \DateTimeImmutable $since   the first day of the site on which it holds
     * @param string             $source  why, such as the manual and its page
     */
    public function __construct(
        public string $routine,
        public Interval $interval,
        public \DateTimeImmutable $since,
        public string $source,
        public string $by,
    ) {
    }
}
