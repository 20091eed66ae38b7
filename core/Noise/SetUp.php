<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Record\Shelf;

/**
 * How units are to be set, kept as a template so that all measure alike; and what one of them was set to, told with its run.
 * A template settles only what it names.
 */
final class SetUp
{
    public const SHELF = 'set-ups';

    /** The entry of a run that names its template. */
    public const NAME = 'setUp';

    /** @return non-empty-list<Entry> */
    private static function settings(): array
    {
        return [
            Entry::choice('weighting', 'Weighting of levels', self::weightings()),
            Entry::choice('bandWeighting', 'Weighting of bands', self::weightings()),
            Entry::choice('timeConstant', 'Time constant', ['slow' => 'slow', 'fast' => 'fast', 'impulse' => 'impulse']),
            Entry::text('range', 'Range', help: 'As the instrument names it'),
            Entry::decimal('interval', 'Log interval', '0.01', '86400', CommonUnit::Second),
            Entry::choice(
                'statistic',
                'Kept of each band',
                array_combine(array_column(BandStatistic::cases(), 'value'), array_column(BandStatistic::cases(), 'value')),
            ),
            Entry::decimal('integration', 'Integration time', '0.1', '86400', CommonUnit::Second),
            Entry::decimal('delay', 'Start delay', '0', '3600', CommonUnit::Second),
            Entry::choice('bands', 'Bands', ['none' => 'none', 'octave' => 'octaves', 'third-octave' => 'thirds of an octave']),
            Entry::text('compensation', 'Windscreen compensation', help: 'As the instrument names it; "off" where it is off'),
            Entry::decimal('exchangeRate', 'Exchange rate', '2', '10', LevelUnit::Decibel),
            Entry::decimal('threshold', 'Threshold', '0', '140', LevelUnit::Decibel),
        ];
    }

    /** @return array<string, string> */
    private static function weightings(): array
    {
        return array_combine(array_column(FrequencyWeighting::cases(), 'value'), array_column(FrequencyWeighting::cases(), 'value'));
    }

    public static function shelf(): Shelf
    {
        return new Shelf(self::SHELF, 'Set-ups of instruments', 'set-up', [...self::settings(), Entry::text('source', 'Source')], [[
            'code' => 'room-survey',
            'name' => 'Room survey in octave bands',
            'bandWeighting' => 'Z',
            'timeConstant' => 'slow',
            'interval' => '1',
            'statistic' => 'maximum',
            'integration' => '120',
            'delay' => '30',
            'bands' => 'octave',
            'source' => 'common practice: two minutes, slow, the maximum of each band, and time to leave and shut the door',
        ]]);
    }

    /**
     * What a run says of its set-up.
     *
     * @param list<string> $left settings that units of the family do not have
     *
     * @return non-empty-list<Entry>
     */
    public static function stated(array $left, bool $onlyWithTemplate): array
    {
        $entries = [Entry::named(self::NAME, 'Set-up', 'library:'.self::SHELF, help: 'The template that it was to be set by')];
        foreach (self::settings() as $setting) {
            if (!\in_array($setting->name, $left, true)) {
                $entry = $setting->as(self::stating($setting->name), $setting->words->label.', as set');
                // A delay changes what was sampled, template or not.
                $entries[] = $onlyWithTemplate && $setting->name !== 'delay' ? $entry->onlyWith(self::NAME) : $entry;
            }
        }

        return $entries;
    }

    /** The entry of a run that states a setting. */
    public static function stating(string $setting): string
    {
        return 'set'.ucfirst($setting);
    }

    /**
     * Where a unit was set otherwise than its template says. What the run does not state is not known, and no difference.
     *
     * @return list<string> each in words
     */
    public static function differences(Traits $template, Traits $run): array
    {
        $differences = [];
        foreach (self::settings() as $setting) {
            $wanted = $template->shown($setting->name);
            $was = $run->shown(self::stating($setting->name));
            if ($wanted !== null && $was !== null && !self::alike($wanted, $was)) {
                $unit = ($setting->scale->units[0] ?? CommonUnit::None)->value;
                $differences[] = \sprintf(
                    '%s was %s, the set-up says %s',
                    lcfirst($setting->words->label),
                    trim($was.' '.$unit),
                    trim($wanted.' '.$unit),
                );
            }
        }

        return $differences;
    }

    /**
     * What the column of a log itself shows counts as stated, where the run states nothing else.
     *
     * @return array{?Traits, ?Traits} the template of a run, and what the run states
     */
    public static function of(Run $run): array
    {
        $content = Sound::heard($run);
        $written = $content?->written;
        $log = $content?->log;
        if ($written === null || $log === null) {
            return [$content?->setUp, $written];
        }
        $shown = ['interval' => Decimal::parse(Digits::trimmed($log->step(), 3))];
        foreach ($log->columns() as $column) {
            if ($column->kind === LevelColumn::Average && $column->exchangeRate !== null) {
                $shown['exchangeRate'] = $column->exchangeRate;
                $shown += $column->threshold === null ? [] : ['threshold' => $column->threshold];
            }
        }
        foreach ($shown as $setting => $value) {
            $written = $written->decimal(self::stating($setting)) === null ? $written->with(self::stating($setting), $value) : $written;
        }

        return [$content->setUp, $written];
    }

    /**
     * Where a unit was set otherwise than a dose criterion says: by what its run states, else by its template.
     *
     * @return list<string> each in words; none where nothing is known of it
     */
    public static function otherThanCriterion(Run $run, string $id, Yardsticks $yardsticks): array
    {
        [$template, $stated] = self::of($run);
        foreach ($yardsticks->criteria as $criterion) {
            if ($criterion instanceof DoseCriterion && $criterion->id === $id) {
                $differs = [];
                foreach (['exchangeRate' => $criterion->exchangeRate, 'threshold' => $criterion->threshold] as $setting => $wanted) {
                    $was = $stated?->decimal(self::stating($setting)) ?? $template?->decimal($setting);
                    if ($was !== null && ($wanted === null || $was->value->compareTo($wanted->value) !== 0)) {
                        $differs[] = \sprintf(
                            '%s was %s dB, the criterion says %s',
                            $setting === 'threshold' ? 'the threshold' : 'the exchange rate',
                            $was->written,
                            $wanted === null ? 'none' : $wanted->written.' dB',
                        );
                    }
                }

                return $differs;
            }
        }

        return [];
    }

    /** @return list<string> settings that the template names and the run does not state, in words */
    public static function unstated(Traits $template, Traits $run): array
    {
        return array_values(array_map(
            static fn (Entry $setting): string => lcfirst($setting->words->label),
            array_filter(
                self::settings(),
                static fn (Entry $setting): bool => $template->shown($setting->name) !== null
                    && $run->shown(self::stating($setting->name)) === null,
            ),
        ));
    }

    private static function alike(string $wanted, string $was): bool
    {
        return is_numeric($wanted) && is_numeric($was)
            ? Decimal::parse($wanted)->value->compareTo(Decimal::parse($was)->value) === 0
            : mb_strtolower(trim($wanted)) === mb_strtolower(trim($was));
    }
}
