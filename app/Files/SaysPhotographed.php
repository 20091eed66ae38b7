<?php

declare(strict_types=1);

namespace Footnote\App\Files;

use Footnote\Core\Evidence\Provenance;

/** Where a check's record says that a display was photographed: without the photo nobody can look at it. */
final class SaysPhotographed
{
    /**
     * @param array<array-key, mixed> $record
     *
     * @return string|null the first place, such as "/acoustic/asFound/0/provenance"; null where it says so nowhere
     */
    public static function at(array $record, string $path = ''): ?string
    {
        foreach ($record as $name => $told) {
            $place = \is_array($told) ? self::at($told, $path.'/'.$name) : null;
            if ($place === null && $name === 'provenance' && $told === Provenance::Photographed->value) {
                $place = $path.'/'.$name;
            }
            if ($place !== null) {
                return $place;
            }
        }

        return null;
    }
}
