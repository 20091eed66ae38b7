<?php

declare(strict_types=1);

namespace Footnote\App\Access;

use Symfony\Component\Security\Core\Exception\AuthenticationException;

/** Somebody guesses: the next try has to wait. */
final class TriedTooOften extends AuthenticationException
{
    /** @param int $wait s */
    public function __construct(public readonly int $wait)
    {
        parent::__construct(\sprintf('Too many wrong tries. Wait %d s, then try again.', $wait));
    }
}
