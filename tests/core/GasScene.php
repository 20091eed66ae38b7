<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasFamily;
use Footnote\Core\Gas\GasResults;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Record\RecordedCampaign;
use Footnote\Core\Record\RecordReader;
use Footnote\Core\Record\RecordSchema;

/** One five-gas monitor and its day, written in the record format; times are of 2 March 2026. */
final class GasScene
{
    use WrittenRecord;

    public const STEPS = [
        'warm-up' => 'done',
        'inlet-blocked' => 'done',
        'zero-source' => 'done',
        'zero-found' => 'done',
        'zero-adjust' => 'done',
        'mix-bottle' => 'done',
        'mix-found' => 'done',
        'mix-adjust' => 'done',
        'isobutylene-bottle' => 'done',
        'isobutylene-found' => 'done',
        'isobutylene-adjust' => 'done',
        'saved' => 'done',
        'gas-off' => 'done',
        'purged' => 'done',
        'log-resumed' => 'done',
    ];

    /** Zero, then what each channel reads in its span gas. */
    public const RIGHT = ['O2' => '18.0', 'LEL' => '50', 'CO' => '50', 'H2S' => '25', 'PID' => '100'];

    /** @var array<string, string> the logs by name */
    private array $logs = [];

    public function __construct()
    {
        $gas = static fn (string $gas, string $concentration, string $unit = 'ppm'): array => [
            'gas' => $gas,
            'concentration' => $concentration,
            'unit' => $unit,
            'accuracy' => '2',
        ];
        $this->record = [
            'format' => RecordSchema::FORMAT,
            'site' => ['name' => 'Mill', 'timeZone' => 'UTC'],
            'campaign' => ['code' => 'c', 'title' => 'c', 'criteria' => [], 'limits' => []],
            'instruments' => [['id' => 'G', 'family' => GasFamily::ID, 'model' => 'M', 'pumped' => true, 'channels' => [
                ['name' => 'O2', 'kind' => 'oxygen', 'range' => '30'],
                ['name' => 'LEL', 'kind' => 'flammable gas', 'range' => '100'],
                ['name' => 'CO', 'kind' => 'carbon monoxide', 'range' => '500'],
                ['name' => 'H2S', 'kind' => 'hydrogen sulphide', 'range' => '100'],
                ['name' => 'PID', 'kind' => 'photoionisation', 'lamp' => '10.6', 'range' => '2000'],
            ]]],
            'references' => [
                self::filled(
                    'MIX',
                    [
                        $gas('oxygen', '18.0', '% vol'),
                        $gas('flammable gas', '50', '% LEL'),
                        $gas('carbon monoxide', '50'),
                        $gas('hydrogen sulphide', '25'),
                    ],
                ),
                self::filled('ISO', [$gas('isobutylene', '100')]),
            ],
            'checks' => [], 'interventions' => [], 'runs' => [],
        ];
    }

    /**
     * @param list<array<string, string>> $gases
     *
     * @return array<string, mixed>
     */
    private static function filled(string $id, array $gases): array
    {
        return [
            'id' => $id,
            'kind' => 'gas-bottle',
            'model' => 'B',
            'size' => ['value' => '58', 'unit' => 'L'],
            'fullPressure' => ['value' => '35', 'unit' => 'bar'],
            'certificates' => [[
                'number' => 'cert-'.$id,
                'laboratory' => 'L',
                'issued' => '2025-09-01',
                'due' => '2027-09-01',
                'gases' => $gases,
            ]],
        ];
    }

    public function bottle(string $id, string $gas, string $concentration): self
    {
        $this->add('references', self::filled($id, [['gas' => $gas, 'concentration' => $concentration, 'unit' => 'ppm']]));

        return $this;
    }

    /** @param array<string, mixed> $more */
    public function channel(string $name, array $more): self
    {
        $units = $this->record['instruments'];
        \assert(\is_array($units) && \is_array($units[0]) && \is_array($units[0]['channels']));
        $units[0]['channels'] = array_map(
            static fn (mixed $one): mixed => \is_array($one) && $one['name'] === $name ? [...$one, ...$more] : $one,
            $units[0]['channels'],
        );
        $this->record['instruments'] = $units;

        return $this;
    }

    /**
     * @param array<string, string>                $found readings in span gas by channel; what is not given reads its label
     * @param array<string, string>                $left  as left; a channel not given was not read again. None: not adjusted
     * @param array<string, string>                $zero  readings in clean air as found
     * @param array<string, mixed>                 $more  further fields of the check
     * @param array<string, mixed>                 $gas   further fields of its section
     * @param array<string, array<string, string>> $row   further fields of a channel's row
     *
     * "CO!" is what CO shows in isobutylene
     */
    public function check(
        string $id,
        string $at,
        array $found = [],
        array $left = [],
        array $zero = [],
        array $more = [],
        array $gas = [],
        array $row = [],
    ): self {
        $found = array_filter([...self::RIGHT, ...$found], static fn (string $value): bool => $value !== '');
        $section = [
            'zeroSource' => 'outdoor air',
            'zeroFound' => self::rows(['O2' => '20.9', 'LEL' => '0', 'CO' => '0', 'H2S' => '0', 'PID' => '0.0', ...$zero], $row),
            'mixFound' => self::rows(self::of($found, true), $row),
            'isobutyleneFound' => self::rows(self::of($found, false), $row),
            'isobutyleneBottle' => 'ISO',
        ];
        foreach (['mix' => true, 'isobutylene' => false] as $stage => $mix) {
            if (self::of($left, $mix) !== []) {
                $section = [
                    ...$section,
                    $stage.'Adjusted' => true,
                    $stage.'Left' => self::rows(
                        array_filter(self::of($left, $mix), static fn (string $value): bool => $value !== ''),
                        $row,
                    ),
                ];
            }
        }
        $this->add(
            'checks',
            [
                'id' => $id,
                'instrument' => 'G',
                'at' => Scene::moment($at),
                'by' => 'T-1',
                'reference' => 'MIX',
                'steps' => self::STEPS,
                'gas' => array_filter([...$section, ...$gas], static fn (mixed $value): bool => $value !== [] && $value !== null),
                ...$more,
            ],
        );

        return $this;
    }

    /**
     * @param array<string, string>                $values
     * @param array<string, array<string, string>> $row
     *
     * @return list<array<string, string>>
     */
    private static function rows(array $values, array $row): array
    {
        return array_map(
            static fn (string $channel, string $value): array => [
                'channel' => rtrim($channel, '!'),
                'value' => $value,
                'provenance' => 'typed',
                ...($row[$channel] ?? []),
            ],
            array_keys($values),
            array_values($values),
        );
    }

    /**
     * @param array<string, string> $values
     *
     * @return array<string, string> those of the mix, or those in isobutylene
     */
    private static function of(array $values, bool $mix): array
    {
        return array_filter(
            $values,
            static fn (string $channel): bool => ($channel !== 'PID' && $channel !== 'CO!') === $mix,
            \ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @param array<string, list<string>> $log      readings every ten seconds by channel; none: the display
     * @param list<array<string, string>> $channels how the unit was set, and its display
     * @param array<string, mixed>        $more
     */
    public function run(
        string $id,
        string $from,
        ?string $to,
        array $log = [],
        array $channels = [],
        array $more = [],
        ?string $logFrom = null,
        int $step = 10,
    ): self {
        $run = [
            'id' => $id,
            'instrument' => 'G',
            'start' => Scene::moment($from),
            'stop' => $to === null ? null : Scene::moment($to),
            'person' => 'W-01',
            'task' => 'spraying',
            'clockOffsetSeconds' => 0,
            'channels' => $channels,
            ...$more,
        ];
        if ($log !== []) {
            $at = new \DateTimeImmutable(Scene::moment($logFrom ?? $from));
            $names = array_keys($log);
            $text = 'Time,'.implode(',', $names)."\n";
            for ($i = 0; $i < \count($log[$names[0]]); ++$i) {
                $text .= $at->modify(\sprintf('+%d seconds', $i * $step))->format('Y-m-d H:i:s').','.implode(
                    ',',
                    array_map(static fn (array $values): string => $values[$i], $log),
                )."\n";
            }
            $this->logs[$id.'.csv'] = $text;
            $columns = [];
            foreach ($names as $place => $name) {
                $columns[] = ['place' => $place + 1, 'kind' => 'reading', 'channel' => $name];
            }
            $run['log'] = [
                'file' => $id.'.csv',
                'format' => [
                    'delimiter' => ',',
                    'decimal' => '.',
                    'skip' => 1,
                    'columns' => $columns,
                    'time' => [0],
                    'dateOrder' => 'ymd',
                    'stepSeconds' => $step,
                ],
            ];
        }
        $this->add('runs', array_filter($run, static fn (mixed $value): bool => $value !== null && $value !== []));

        return $this;
    }

    /** @return list<string> the same reading for so many minutes, every ten seconds */
    public static function steady(string $value, float $minutes): array
    {
        return array_fill(0, (int) round(6 * $minutes), $value);
    }

    public function intervention(string $id, string $at, string $kind, ?string $channel = null): self
    {
        $this->add(
            'interventions',
            array_filter(
                ['id' => $id, 'instrument' => 'G', 'at' => Scene::moment($at), 'kind' => $kind, 'by' => 'T-1', 'channel' => $channel],
                static fn (mixed $value): bool => $value !== null,
            ),
        );

        return $this;
    }

    public function read(): RecordedCampaign
    {
        return (new RecordReader(\Footnote\Core\Families::formats()))->read(
            $this->record,
            fn (string $name): LogFile => LogFile::ofText($name, $this->logs[$name]),
        );
    }

    /** @return array<string, string> */
    protected function logs(): array
    {
        return $this->logs;
    }

    public function assess(string $run = 'r', string $policy = 'standard'): Assessment
    {
        return Scene::assessed($this->read(), $run, $policy);
    }

    public static function channelOf(Assessment $assessment, string $channel): ChannelResults
    {
        \assert($assessment->family instanceof GasResults);

        return $assessment->family->channels[$channel];
    }
}
