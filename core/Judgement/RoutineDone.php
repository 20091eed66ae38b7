<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** The last time that something was done of what is done again and again. */
final readonly class RoutineDone
{
    /**
     * @param string $evidence identifier of the check, or number of the certificate
     * @param string $words    which it was, such as "certificate L-1"; empty: its moment tells it
     */
    public function __construct(public \DateTimeImmutable $at, public string $evidence, public string $words = '')
    {
    }
}
