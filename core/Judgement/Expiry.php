<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** Until when something counts for runs that begin. */
final readonly class Expiry
{
    /** @param \DateTimeImmutable $at the last moment, that counts itself */
    public function __construct(public \DateTimeImmutable $at, private string $what)
    {
    }

    /** Once it is over, in words that stay true while time goes by. */
    public function words(\DateTimeZone $zone): string
    {
        return \sprintf('%s until %s.', $this->what, $this->at->setTimezone($zone)->format('j M Y H:i'));
    }
}
