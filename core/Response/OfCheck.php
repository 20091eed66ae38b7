<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

/** What every knot says of itself. */
trait OfCheck
{
    public function moment(): \DateTimeImmutable
    {
        return $this->at;
    }

    public function isAsLeft(): bool
    {
        return $this->asLeft;
    }

    public function check(): string
    {
        return $this->check;
    }

    public function isAssumed(): bool
    {
        return $this->assumed;
    }

    public function isOf(?string $check): bool
    {
        return $this->check === $check;
    }
}
