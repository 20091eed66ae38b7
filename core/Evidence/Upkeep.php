<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What a site has said of a unit or a reference since it was registered. */
final readonly class Upkeep
{
    /**
     * @param OwnIntervals        $intervals   that it has set
     * @param list<KitCorrection> $corrections of what was typed in wrongly
     * @param Recalls             $recalls     of a unit: when it is known to have been wrong itself
     */
    public function __construct(
        public OwnIntervals $intervals = new OwnIntervals(),
        public array $corrections = [],
        public Recalls $recalls = new Recalls(),
    ) {
    }
}
