<?php

declare(strict_types=1);

namespace Footnote\Tests\Core;

use Footnote\Core\Families;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Meter\MeterFamily;
use Footnote\Core\Record\RecordedCampaign;
use Footnote\Core\Record\RecordReader;
use Footnote\Core\Record\RecordSchema;

/** One sound level meter and its day, written in the record format; times are of 2 March 2026 unless a day is named. */
final class MeterScene
{
    use WrittenRecord;

    /** The room of the demo: 500 Hz fails 40 dB by 1.6. */
    public const ROOM = [
        '63' => '50',
        '125' => '46',
        '250' => '43',
        '500' => '41.6',
        '1000' => '34',
        '2000' => '26',
        '4000' => '20',
        '8000' => '16',
    ];

    /** @var array<string, string> the logs by name */
    private array $logs = [];

    /** @param array<string, mixed> $unit what differs of a class 1 meter with a half-inch microphone */
    public function __construct(array $unit = [])
    {
        $this->record = [
            'format' => RecordSchema::FORMAT,
            'site' => ['name' => 'Mill', 'timeZone' => 'UTC'],
            'campaign' => ['code' => 'c', 'title' => 'c', 'criteria' => [], 'limits' => []],
            'instruments' => [[
                'id' => 'S',
                'family' => MeterFamily::ID,
                'model' => 'M',
                'class' => '1',
                'microphone' => '1/2 in',
                'rangeHigh' => '140',
                'compensation' => 'ball',
                ...$unit,
            ]],
            'references' => [self::calibrator()],
            'library' => ['set-ups' => [], 'permissible-levels' => []],
            'checks' => [], 'interventions' => [], 'runs' => [],
        ];
    }

    /** @return array<string, mixed> two levels at 1 kHz, and one at 250 Hz */
    private static function calibrator(): array
    {
        $value = static fn (string $nominal, string $certified, string $hertz): array => [
            'nominal' => $nominal,
            'certified' => $certified,
            'uncertainty' => '0.2',
            'frequency' => $hertz,
        ];

        return ['id' => 'A', 'kind' => 'acoustic-calibrator', 'model' => 'K', 'adapters' => ['1/2 in'], 'certificates' => [
            [
                'number' => 'cert-A',
                'laboratory' => 'L',
                'issued' => '2025-09-01',
                'due' => '2027-09-01',
                'values' => [$value('94', '94.0', '1000'), $value('114', '114.0', '1000'), $value('114', '114.1', '250')],
            ],
        ]];
    }

    /**
     * @param string                $found    as found at 94 dB, 1 kHz
     * @param array<string, string> $further  readings of other tones as found
     * @param array<string, mixed>  $acoustic further fields of its section
     */
    public function check(string $id, string $at, string $found = '94.0', array $further = [], array $acoustic = []): self
    {
        $tones = array_map(
            static fn (string $tone, string $value): array => ['tone' => $tone, 'value' => $value, 'provenance' => 'typed'],
            array_keys($further),
            array_values($further),
        );
        $this->add(
            'checks',
            [
                'id' => $id,
                'instrument' => 'S',
                'at' => Scene::moment($at),
                'by' => 'T-1',
                'reference' => 'A',
                'steps' => Scene::STEPS,
                'acoustic' => [
                    'nominal' => '94',
                    'frequency' => '1000',
                    'asFound' => [['value' => $found, 'provenance' => 'typed']],
                    'furtherFound' => $tones,
                    'adjusted' => false,
                    ...$acoustic,
                ],
            ],
        );

        return $this;
    }

    /** @param array<string, mixed> $more */
    public function run(string $id, string $from, ?string $to, array $more = []): self
    {
        $this->add(
            'runs',
            array_filter(
                [
                    'id' => $id,
                    'instrument' => 'S',
                    'start' => Scene::moment($from),
                    'stop' => $to === null ? null : Scene::moment($to),
                    'person' => 'W-01',
                    'task' => 'voicing',
                    'clockOffsetSeconds' => 0,
                    ...$more,
                ],
                static fn (mixed $value): bool => $value !== null,
            ),
        );

        return $this;
    }

    /**
     * A sample of a task.
     *
     * @param array<string, mixed> $more
     */
    public function sample(string $id, string $from, string $to, string $task, string $minutes, string $level, array $more = []): self
    {
        return $this->run(
            $id,
            $from,
            $to,
            [
                'task' => $task,
                'measures' => 'task',
                'taskMinutes' => $minutes,
                'totals' => ['equivalentLevel' => ['value' => $level, 'provenance' => 'typed']],
                ...$more,
            ],
        );
    }

    /**
     * @param array<array-key, string> $bands
     * @param array<string, mixed>     $more
     */
    public function room(string $id = 'r', string $from = '10:00', string $to = '10:03', array $bands = self::ROOM, array $more = []): self
    {
        return $this->run($id, $from, $to, ['measures' => 'room', 'permissible' => 'audiometric-app-d', 'bands' => $bands, ...$more]);
    }

    /**
     * A room with a log of its bands, a second each.
     *
     * @param array<array-key, list<string>> $log  by band
     * @param array<string, mixed>           $more
     */
    public function logged(string $id, string $from, string $to, array $log, array $more = [], string $begins = ''): self
    {
        $at = new \DateTimeImmutable(Scene::moment($begins === '' ? $from : $begins));
        $columns = [];
        $text = 'Time';
        foreach (array_keys($log) as $place => $band) {
            $text .= ','.$band;
            $columns[] = ['place' => $place + 1, 'kind' => 'band', 'channel' => (string) $band];
        }
        foreach (array_keys(array_values($log)[0] ?? []) as $i) {
            $text .= "\n".$at->modify(\sprintf('+%d seconds', $i))->format('Y-m-d H:i:s').','.implode(
                ',',
                array_map(static fn (array $values): string => $values[$i], $log),
            );
        }
        $this->logs[$id.'.csv'] = $text;

        return $this->run(
            $id,
            $from,
            $to,
            [
                'measures' => 'room',
                'permissible' => 'audiometric-app-d',
                'log' => [
                    'file' => $id.'.csv',
                    'format' => [
                        'delimiter' => ',',
                        'decimal' => '.',
                        'skip' => 1,
                        'columns' => $columns,
                        'time' => [0],
                        'dateOrder' => 'ymd',
                        'stepSeconds' => 1,
                    ],
                ],
                ...$more,
            ],
        );
    }

    /** @param array<string, mixed> $entry */
    public function shelf(string $shelf, array $entry): self
    {
        $library = $this->record['library'];
        \assert(\is_array($library) && \is_array($library[$shelf]));
        $library[$shelf][] = $entry;
        $this->record['library'] = $library;

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

    /** The run as part of its day. */
    public function assess(string $run = 'r', string $policy = 'standard'): Assessment
    {
        $campaign = $this->read();
        $timeline = $campaign->timelines['S'];
        $day = array_map(static fn ($one): array => [$one, $timeline], $timeline->runs());
        foreach ($timeline->runs() as $one) {
            if ($one->id === $run) {
                return (new ShiftAssessor(
                    Families::assessor(),
                    Scene::policy($policy),
                    $campaign->yardsticks,
                ))->assess($one, $timeline, $day);
            }
        }
        throw new \OutOfBoundsException($run);
    }
}
