<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Span;

/**
 * The clock of a device by which something was done where no server answered: how it stood against the server's when both last met,
 * and how it stands now that it is brought.
 */
final readonly class DeviceClock
{
    /** So far it may be off before a person looks at the moments that it gave, s (own: twice what a wrist watch is read to). */
    public const TOLERANCE = 120;

    /**
     * @param \DateTimeImmutable      $sent by the device, as it brings it
     * @param \DateTimeImmutable|null $device by the device, when both last met; null where nobody noted it
     * @param \DateTimeImmutable|null $server by the server, at the same moment
     */
    public function __construct(
        public \DateTimeImmutable $sent,
        private ?\DateTimeImmutable $device = null,
        private ?\DateTimeImmutable $server = null,
    ) {
    }

    /** @return int s by which it is ahead now; negative where it is behind */
    public function ahead(\DateTimeImmutable $now): int
    {
        return (int) round(Span::secondsBetween($now, $this->sent));
    }

    /**
     * What speaks against moments that it gave; null where nothing does. A clock that was set meanwhile gave moments that were wrong,
     * however right it is now.
     */
    public function against(\DateTimeImmutable $now): ?string
    {
        $before = $this->device === null || $this->server === null ? null : (int) round(Span::secondsBetween($this->server, $this->device));

        return match (true) {
            abs($this->ahead($now)) > self::TOLERANCE => \sprintf('is %s now', self::told($this->ahead($now))),
            $before === null => 'was never held against the clock of the server',
            abs($before) > self::TOLERANCE => \sprintf('was %s when the network was lost', self::told($before)),
            default => null,
        };
    }

    private static function told(int $ahead): string
    {
        return \sprintf('%s %s', Span::told((float) abs($ahead)), $ahead > 0 ? 'ahead' : 'behind');
    }
}
