<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Unit;

/** A kind of reference: what is asked of one, and what its certificates say. */
final readonly class ReferenceKind
{
    /**
     * @param list<Entry> $entries   of the reference itself
     * @param list<Entry> $constants of its certificates, such as slope and intercept
     * @param Unit|null   $values    unit of the certified values; null where its certificates hold no table
     * @param string      $nominal   what a row of the table is found under, such as "level" or "scale mark"
     * @param bool        $table     whether a certificate without a table is of no use
     * @param Unit|null   $error     in which a recall says how far it was off; null: nothing can be taken out
     * @param list<Entry> $beside    of a row of the table, where its nominal value alone does not tell it from another
     */
    public function __construct(
        public string $id,
        public string $title,
        public array $entries,
        public array $constants = [],
        public ?Unit $values = null,
        public string $nominal = 'nominal value',
        public bool $table = false,
        public string $least = '-1000000',
        public string $most = '1000000',
        public ?Unit $error = null,
        public array $beside = [],
    ) {
    }
}
