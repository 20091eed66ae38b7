<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Record\ReferenceKind;

/** A certificate of a reference states what its kind lives from. */
final readonly class WholeCertificate
{
    public static function check(Certificate $certificate, ?ReferenceKind $kind, string $place): void
    {
        if ($certificate->values === [] && $kind?->table?->required === true) {
            throw Problem::field($place.'/values', 'must give at least one certified value.');
        }
    }
}
