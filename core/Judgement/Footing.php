<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** What a result rests on, and so how much may be said of a limit by it. */
final readonly class Footing
{
    /**
     * @param list<string>                $causes    why no statement about a limit is robust, whatever its values
     * @param list<array{string, Figure}> $also      values that it could have as well, each with what it would take, such as "as sampled"
     * @param list<Altered>               $altered   what was removed, filled in or assumed, with the number without it
     * @param bool                        $plain     whether what the unit indicates is a reading of the quantity itself
     * @param string|null                 $ceiling   why "at any time" cannot be told from it where it is not crossed; null: it can
     * @param Coverage|null               $coverage  of a result that speaks of a stated working day
     * @param Verdict|null                $inherited of a result over several runs: the worst of what it is made of
     */
    public function __construct(
        public array $causes = [],
        public array $also = [],
        public array $altered = [],
        public bool $plain = true,
        public ?string $ceiling = null,
        public ?Coverage $coverage = null,
        public ?Verdict $inherited = null,
    ) {
    }

    /**
     * @param list<string>|null                $causes
     * @param list<array{string, Figure}>|null $also
     * @param list<Altered>|null               $altered
     */
    public function with(
        ?array $causes = null,
        ?array $also = null,
        ?array $altered = null,
        ?bool $plain = null,
        ?string $ceiling = null,
        ?Coverage $coverage = null,
        ?Verdict $inherited = null,
    ): self {
        return new self(
            $causes ?? $this->causes,
            $also ?? $this->also,
            $altered ?? $this->altered,
            $plain ?? $this->plain,
            $ceiling ?? $this->ceiling,
            $coverage ?? $this->coverage,
            $inherited ?? $this->inherited,
        );
    }
}
