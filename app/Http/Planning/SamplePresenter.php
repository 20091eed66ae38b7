<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Planning\Samples;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Planning\SampleSize;
use Footnote\Core\Record\Fields;

/**
 * How much a sample must draw to give a usable answer. Nothing is kept of it.
 *
 * @phpstan-type Line array{figure: string, shown: string, unit: string, meaning: string, symbol: string}
 */
final readonly class SamplePresenter
{
    public function __construct(private Samples $samples)
    {
    }

    /** @return array<string, mixed> */
    public function of(Fields $told): array
    {
        $sheet = new Sheet();
        $size = $this->samples->size(null, $told) ?? throw new \LogicException('No family draws samples.');

        return [...self::lines($size, $sheet), 'figures' => $sheet->rows()];
    }

    /** @return array{usable: bool, media: int, words: list<string>, lines: list<Line>} */
    public static function lines(SampleSize $size, Sheet $sheet): array
    {
        return [
            'usable' => $size->usable,
            'media' => $size->media,
            'words' => $size->words,
            'lines' => array_map(static fn (Figure $figure): array => self::line($figure, $sheet), $size->lines),
        ];
    }

    /** @return Line */
    public static function line(Figure $figure, Sheet $sheet): array
    {
        return [
            'figure' => $sheet->enter($figure),
            'shown' => $figure->shown(),
            'unit' => $figure->unit->value,
            'meaning' => $figure->meaning,
            'symbol' => $figure->symbol,
        ];
    }
}
