<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

/** What one end of one check showed of a response: as it was found, or the state it was left in. */
interface Knot
{
    /** True: the state it was left in, which begins a segment; false: as found. */
    public function isAsLeft(): bool;

    /** Where it sits in time. */
    public function moment(): \DateTimeImmutable;

    /** The same response at another moment. */
    public function movedTo(\DateTimeImmutable $at): static;

    /** The check that showed it. */
    public function check(): string;

    /** Whether nobody read it: it is taken to be as it should. */
    public function isAssumed(): bool;

    /** Whether this check showed it; no check shows nothing. */
    public function isOf(?string $check): bool;
}
