<?php

declare(strict_types=1);

namespace Footnote\App\Shown;

use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Record\ReferenceKind;

/** What a certificate states, value by value, whatever kind of reference or unit it is of. */
final class CertificateLines
{
    /**
     * @param ReferenceKind|null $kind null: of a unit, or of a kind that is not known
     *
     * @return list<array{nominal: string, beside: string, certified: string, uncertainty: string, unit: string}> the rows of its table,
     *                                                                                                           then what else it states
     */
    public static function of(Certificate $certificate, ?ReferenceKind $kind): array
    {
        $lines = [];
        foreach ($certificate->values as $value) {
            $lines[] = [
                'nominal' => $value->nominal->written,
                'beside' => TraitsLine::line($value->beside, $kind->table->beside ?? []),
                'certified' => $value->certified->written,
                'uncertainty' => $value->uncertainty->written ?? '',
                'unit' => $kind->table->unit->value ?? '',
            ];
        }
        foreach (TraitsLine::shown($certificate->constants, $kind->constants ?? []) as $stated) {
            $lines[] = ['nominal' => $stated['label'], 'beside' => '', 'certified' => $stated['shown'], 'uncertainty' => '', 'unit' => ''];
        }

        return $lines;
    }
}
