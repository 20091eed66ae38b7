<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** What a record brings that touches runs. */
final readonly class Brought
{
    /**
     * @param list<array{string, \DateTimeImmutable}> $units    on which evidence came, and its first moment
     * @param list<string>                            $runs     that came
     * @param list<string>                            $media    of the runs that came
     * @param list<string>                            $reports  of laboratories that came
     * @param list<string>                            $names    of units that came, which logs already here may name
     * @param string|null                             $blanksOf the campaign to which blanks came
     */
    public function __construct(
        public array $units,
        public array $runs,
        public array $media,
        public array $reports,
        public array $names,
        public ?string $blanksOf,
    ) {
    }
}
