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

    /** The worst of several; valid where there are none. */
    public static function worst(self ...$verdicts): self
    {
        return array_reduce($verdicts, static fn (self $worst, self $one): self => $worst->worse($one), self::Valid);
    }

    /** What several come to side by side: the worst of those that are not void; void where all are, null where there are none. */
    public static function standing(self ...$verdicts): ?self
    {
        $stand = array_filter($verdicts, static fn (self $one): bool => $one !== self::Void);

        return match (true) {
            $verdicts === [] => null,
            $stand === [] => self::Void,
            default => self::worst(...$stand),
        };
    }

    /**
     * What a result comes to once a person overruled what was proposed for its run: a worse verdict covers every result, a better
     * one only what the proposal rested on. What was void by itself stays void (own).
     *
     * @param self $proposed for the run
     * @param self $decided  instead
     */
    public function overruled(self $proposed, self $decided): self
    {
        return match (true) {
            $decided->weight() >= $proposed->weight() => $this->worse($decided),
            $this === $proposed => $decided,
            default => $this,
        };
    }
}
