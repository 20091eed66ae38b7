<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** How a result stands; the later case outweighs the earlier. */
enum Verdict: string
{
    case Valid = 'valid';
    case Corrected = 'corrected';
    case Qualified = 'qualified';
    case Open = 'open';
    case Void = 'void';

    public function weight(): int
    {
        return match ($this) {
            self::Valid => 0,
            self::Corrected => 1,
            self::Qualified => 2,
            self::Open => 3,
            self::Void => 4,
        };
    }

    public function worse(self $other): self
    {
        return $other->weight() > $this->weight() ? $other : $this;
    }
}
