<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\StandIn\Chance;
use Footnote\Core\StandIn\Fault;
use Footnote\Core\StandIn\NoSuchFault;
use Footnote\Core\StandIn\Parameter;

/**
 * A laboratory that answers a chain of custody with its table: made-up masses on practice media, now in milligrams and now in
 * micrograms, with points or with commas, sometimes below what it quantifies, sometimes without one of the samples. The same media
 * and the same seed have the same masses, however they are written.
 */
final readonly class LaboratoryStandIn
{
    /** Stands in the first line of what it sends: whoever reads it, it is practice. */
    public const MARK = 'Simulated by a stand-in, for practice only';

    public const MISSING = 'missing-sample';
    public const OTHER_UNIT = 'other-unit';
    public const BELOW = 'below-quantitation';

    private const MILLIGRAM = 1000.0;

    public function __construct(private int $seed)
    {
    }

    public static function title(): string
    {
        return 'A laboratory that answers a chain of custody';
    }

    /**
     * Whether a table is one of a stand-in.
     *
     * @param iterable<string> $lines
     */
    public static function sent(iterable $lines): bool
    {
        foreach ($lines as $line) {
            // What comes before is a mark of the encoding, or a quote.
            return str_contains($line, self::MARK);
        }

        return false;
    }

    /** @return array<string, Parameter> its numbers, each with where it is from */
    public static function parameters(): array
    {
        return [
            'median of what is on a medium, µg' => Parameter::own(400.0),
            'geometric standard deviation' => Parameter::own(3.0),
            'limit of quantitation, µg' => Parameter::own(50.0),
            'share of reports without one of the samples' => Parameter::own(0.2),
        ];
    }

    /** @return list<Fault> */
    public static function faults(): array
    {
        return [
            new Fault(self::MISSING, 'one sample is not in the report', 'lab.no-result'),
            new Fault(self::OTHER_UNIT, 'the table is in another unit than the last one', ''),
            new Fault(self::BELOW, 'less than it quantifies is on every medium', 'lab.below-quantitation'),
        ];
    }

    /**
     * Its table, as a file.
     *
     * @param non-empty-list<string> $media      numbers of the media that came
     * @param non-empty-list<string> $substances names, as the laboratory writes them
     * @param string|null            $fault      null: as it comes
     *
     * @throws NoSuchFault
     */
    public function answer(array $media, array $substances, ?string $fault = null): string
    {
        if ($fault !== null && !\in_array($fault, array_map(static fn (Fault $one): string => $one->id, self::faults()), true)) {
            throw new NoSuchFault(\sprintf('%s has no fault "%s".', self::title(), $fault));
        }
        $chance = new Chance($this->seed);
        $inMilligrams = ($chance->uniform('unit', 0) < 0.5) !== ($fault === self::OTHER_UNIT);
        $withCommas = $chance->uniform('comma', 0) < 0.5;
        $missing = $fault === self::MISSING || ($fault === null && $this->loses($chance))
            ? (int) floor($chance->uniform('which', 0) * \count($media))
            : null;
        $unit = $inMilligrams ? 'mg' : 'µg';
        $lines = [
            [self::MARK],
            ['Sample', 'Substance', 'Found '.$unit, 'Reporting limit '.$unit],
        ];
        foreach ($media as $place => $medium) {
            foreach ($place === $missing ? [] : $substances as $substance) {
                $limit = self::parameters()['limit of quantitation, µg']->value;
                $found = $fault === self::BELOW ? 0.0 : $this->mass($chance, $medium.' '.$substance);
                $lines[] = [
                    $medium,
                    $substance,
                    $found < $limit ? '<'.self::written($limit, $inMilligrams) : self::written($found, $inMilligrams),
                    self::written($limit, $inMilligrams),
                ];
            }
        }

        return implode('', array_map(
            static fn (array $cells): string => implode($withCommas ? ';' : ',', array_map(
                static fn (string $cell, int $place): string => self::cell($cell, $place > 1 && $withCommas),
                $cells,
                array_keys($cells),
            ))."\r\n",
            $lines,
        ));
    }

    private function loses(Chance $chance): bool
    {
        return $chance->uniform('missing', 0) < self::parameters()['share of reports without one of the samples']->value;
    }

    /** µg, as lognormal as what is in workrooms. */
    private function mass(Chance $chance, string $what): float
    {
        $parameters = self::parameters();

        return $parameters['median of what is on a medium, µg']->value
            * $parameters['geometric standard deviation']->value ** $chance->normal($what, 0);
    }

    /** Three digits, as the balance or the curve gives them; the same mass reads the same in either unit. */
    private static function written(float $micrograms, bool $inMilligrams): string
    {
        $digits = 2 - (int) floor(log10($micrograms));
        $rounded = round($micrograms, $digits);

        return $inMilligrams
            ? number_format($rounded / self::MILLIGRAM, max(0, $digits + 3), '.', '')
            : number_format($rounded, max(0, $digits), '.', '');
    }

    private static function cell(string $text, bool $comma): string
    {
        $text = $comma ? str_replace('.', ',', $text) : $text;

        return preg_match('/[",;\r\n]/', $text) === 1 && !$comma ? '"'.str_replace('"', '""', $text).'"' : $text;
    }
}
