<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** That a check was made where no server answered: its moments are by the clock of a device, and it was brought later. */
final readonly class Away
{
    /**
     * @param \DateTimeImmutable $brought by the server's clock
     * @param int                $ahead   s by which the clock of the device was ahead of the server's when it was brought
     * @param string             $why     its moments stand although that clock was off, in the words of a person; empty where it was right
     */
    public function __construct(public \DateTimeImmutable $brought, public int $ahead, public string $why = '')
    {
    }

    /** In words. */
    public function words(\DateTimeZone $zone): string
    {
        $clock = match (true) {
            $this->ahead === 0 => 'which was right then',
            $this->ahead > 0 => \sprintf('which was %d s ahead then', $this->ahead),
            default => \sprintf('which was %d s behind then', -$this->ahead),
        };

        return \sprintf(
            'Made without a network and brought on %s. Its moments are by the clock of the device, %s%s.',
            $this->brought->setTimezone($zone)->format('j M Y, H:i'),
            $clock,
            $this->why === '' ? '' : \sprintf('; they stand because: %s', rtrim($this->why, '.')),
        );
    }
}
