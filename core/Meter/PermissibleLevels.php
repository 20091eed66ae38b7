<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\ExposureComparator;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\Source;
use Footnote\Core\Judgement\Threshold;
use Footnote\Core\Noise\BandStatistic;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\Shelf;

/** The ambient levels that a room may have, band by band, unweighted, dB: one entry of their library. */
final readonly class PermissibleLevels
{
    public const SHELF = 'permissible-levels';

    private const SCOPE = 'the room as it is used, nobody in it';

    /** @param Traits $entry of the library */
    public function __construct(public string $code, private Traits $entry)
    {
    }

    public static function shelf(): Shelf
    {
        $marks = array_column(SourceMark::cases(), 'value');

        return new Shelf(self::SHELF, 'Permissible levels of rooms', 'set of permissible levels', [
            Entry::each(
                'levels',
                'Level of each band',
                OctaveBand::choices(),
                '-20',
                '200',
                LevelUnit::Decibel,
                'Unweighted; a band left empty is not judged',
                true,
            ),
            Entry::choice(
                'statistic',
                'Compared with',
                array_combine(array_column(BandStatistic::cases(), 'value'), ['the maximum of each band', 'the average of each band']),
                help: 'Where the source says so',
            ),
            Entry::text('source', 'Source', true),
            Entry::choice('mark', 'How the source is known', array_combine($marks, $marks)),
        ], [[
            'code' => 'audiometric-app-d',
            'name' => 'Audiometric room',
            'levels' => ['500' => '40', '1000' => '40', '2000' => '47', '4000' => '57', '8000' => '62'],
            'source' => '29 CFR 1910.95 App. D, Table D-1', 'mark' => SourceMark::Published->value,
        ]]);
    }

    public function name(): string
    {
        return $this->entry->text('name') ?? $this->code;
    }

    public function statistic(): ?BandStatistic
    {
        return BandStatistic::tryFrom($this->entry->text('statistic') ?? '');
    }

    /** @return array<array-key, Decimal> dB by band, lowest band first */
    public function levels(): array
    {
        return $this->entry->each('levels');
    }

    public function of(OctaveBand $band): ?Decimal
    {
        return $this->levels()[$band->value] ?? null;
    }

    /** The level of one band as a limit of results under a key. */
    public function limit(OctaveBand $band, string $key, Decimal $level): ExposureLimit
    {
        return new ExposureLimit(
            $this->code.':'.$band->value,
            $this->name().', '.$band->words(),
            $key,
            new Threshold($level, LevelUnit::Decibel->value, ExposureComparator::Exceeded),
            self::SCOPE,
            new Source($this->source(), $this->mark()),
        );
    }

    /** No band may lie above its level. */
    public function everyBand(string $key): ExposureLimit
    {
        return new ExposureLimit(
            $this->code,
            'margin',
            $key,
            new Threshold(Decimal::parse('0'), LevelUnit::Decibel->value, ExposureComparator::Exceeded),
            self::SCOPE,
            new Source($this->source(), $this->mark()),
        );
    }

    public function source(): string
    {
        return $this->entry->text('source') ?? '';
    }

    private function mark(): SourceMark
    {
        return SourceMark::tryFrom($this->entry->text('mark') ?? '') ?? SourceMark::Own;
    }
}
