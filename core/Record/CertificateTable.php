<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Unit;

/** The table of certified values that certificates of a kind of reference hold. */
final readonly class CertificateTable
{
    /**
     * @param Unit        $unit     of the certified values
     * @param string      $nominal  what a row is found under, such as "level" or "scale mark"
     * @param bool        $required whether a certificate without a table is of no use
     * @param list<Entry> $beside   of a row, where its nominal value alone does not tell it from another
     */
    public function __construct(
        public Unit $unit,
        public string $nominal = 'nominal value',
        public bool $required = false,
        public string $least = '-1000000',
        public string $most = '1000000',
        public array $beside = [],
    ) {
    }
}
