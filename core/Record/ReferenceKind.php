<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Unit;

/** A kind of reference: what is asked of one, and what its certificates say. */
final readonly class ReferenceKind
{
    /**
     * @param list<Entry>           $entries   of the reference itself
     * @param list<Entry>           $constants of its certificates, such as slope and intercept
     * @param CertificateTable|null $table     null where its certificates hold none
     * @param Unit|null             $error     in which a recall says how far it was off; null: nothing can be taken out
     */
    public function __construct(
        public string $id,
        public string $title,
        public array $entries,
        public array $constants = [],
        public ?CertificateTable $table = null,
        public ?Unit $error = null,
    ) {
    }
}
