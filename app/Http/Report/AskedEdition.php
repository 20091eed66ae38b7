<?php

declare(strict_types=1);

namespace Footnote\App\Http\Report;

use Footnote\App\Refusal\Problem;
use Footnote\App\Report\Paper\PaperSize;
use Symfony\Component\HttpFoundation\Request;

/** Which edition of a report is meant, on which paper. */
final class AskedEdition
{
    /** @return int|null null: the draft */
    public static function of(Request $request): ?int
    {
        $told = $request->query->getString('edition');

        return match (true) {
            $told === '' => null,
            preg_match('/^[1-9]\d{0,5}$/D', $told) === 1 => (int) $told,
            default => throw Problem::field('/edition', 'is the number of an edition, such as 1.'),
        };
    }

    public static function paper(Request $request): PaperSize
    {
        $told = $request->query->getString('paper', PaperSize::A4->value);

        return PaperSize::tryFrom($told) ?? throw Problem::field('/paper', 'must be A4 or Letter.');
    }
}
